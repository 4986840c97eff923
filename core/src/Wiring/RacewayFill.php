<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring;

use Escapement\Core\Calc\Answer;
use Escapement\Core\Calc\Findings;
use Escapement\Core\Calc\Working;
use Escapement\Core\Internal\Relative;
use Escapement\Core\Wire\Fields;
use Escapement\Core\Wire\Node;

/** Does the mix fit the pipe, what is the smallest pipe for it, and would copper have been the easier pull. Rule: wiring §5. */
final readonly class RacewayFill
{
    private const LARGEST_LISTED = '500';
    private const TIGHT_PCT = 30;
    private const TIGHT_OD_IN = 0.55;

    public function answer(Node $input): Answer
    {
        $in = new Fields($input);
        $racewayIn = $in->object('raceway');
        $type = $racewayIn->oneOf('type', ['emt', 'rmc', 'pvc40', 'pvc80', 'lfmc']);
        $tradeSize = $racewayIn->oneOf('trade_size', Raceways::TRADE_SIZES);
        $racewayIn->close();
        $isNipple = $in->bool('nipple', false);
        $items = $in->each('items', 1, 40, $this->item(...), isOptional: false);
        $compareIn = $in->maybeObject('compare');
        $wanted = $compareIn === null ? null : $this->compareFields($compareIn);
        $in->close();

        $count = array_sum(array_column($items, 'qty'));
        $limitPct = self::limit($count, $isNipple);
        $total = array_sum(array_map(static fn(array $item): float => $item['qty'] * $item['area'], $items));
        $inside = Raceways::area($type, $tradeSize);
        $fillPct = 100 * $total / $inside;
        $fits = Relative::isAtLeast($limitPct, $fillPct);
        $minTradeSize = self::smallest($type, $total, $limitPct);
        $jam = $this->jam($items, $inside);
        $compare = $wanted === null ? null : ['cu' => $this->compareMetal('cu', $wanted, $type, $tradeSize, $isNipple), 'al' => $this->compareMetal('al', $wanted, $type, $tradeSize, $isNipple)];
        $working = new Working();
        $working->add('Fill', sprintf('%.4g in² of %d / %.4g in²', $total, $count, $inside), $fillPct, '%');
        $working->add('Limit', $isNipple ? 'a nipple' : "$count together", $limitPct, '%');
        $findings = new Findings();
        if (! $fits) {
            $findings->stop('fill-over-limit', sprintf('%.1f %% full, %g %% is the limit', $fillPct, $limitPct), 'The pull tears insulation, and the heat stays in.' . ($minTradeSize === null ? '' : " Take $minTradeSize."));
        }
        if ($minTradeSize === null) {
            $findings->stop('no-trade-size-fits', 'No size of this raceway takes it', 'Part it into two raceways.');
        }
        if ($jam !== null && Relative::isAtLeast($jam, 2.8) && Relative::isAtLeast(3.2, $jam)) {
            $findings->warn('jam-risk', sprintf('Three conductors may wedge in a bend: ratio %.2f', $jam), 'Between 2.8 and 3.2 they lie side by side and jam. Take another size of raceway.');
        }
        $isHeavy = array_filter($items, static fn(array $item): bool => $item['kind'] === 'cable' ? $item['od'] >= self::TIGHT_OD_IN : $item['kind'] !== 'bare' && Sizes::isAtLeast($item['size'], '4/0')) !== [];
        if ($type === 'lfmc' && $isHeavy && Relative::isOver($fillPct, self::TIGHT_PCT)) {
            $findings->warn('tight-pull', sprintf('%.0f %% of a flexible conduit, with large conductors', $fillPct), 'Large conductors in a short flexible conduit are a fight. One size of conduit more, or copper one size down.');
        }
        if ($compare !== null) {
            $this->judge($compare, $findings);
        }
        if (in_array('cable', array_column($items, 'kind'), true)) {
            $findings->note('confirm-cable-od', 'The cable\'s diameter is a figure to be measured', 'Makes differ.');
        }
        WiringFields::confirm($findings);

        return new Answer([
            'count' => $count, 'total_area_in2' => $total, 'raceway_area_in2' => $inside, 'limit_pct' => $limitPct, 'fill_pct' => $fillPct, 'fits' => $fits, 'min_trade_size' => $minTradeSize,
            'jam_ratio' => $jam, 'compare' => $compare, 'passes' => ! $findings->hasStop(),
        ], $findings->all(), $working->lines);
    }

    /** @return array{kind: string, size: string, od: float, qty: int, area: float} */
    private function item(Fields $in): array
    {
        $kind = $in->oneOf('kind', [...Raceways::KINDS, 'cable']);
        if ($kind === 'cable') {
            $od = $in->number('od_in', 0.05, 6);

            return ['kind' => $kind, 'size' => '', 'od' => $od, 'qty' => $in->int('qty', 1, 100), 'area' => M_PI / 4 * $od ** 2];
        }
        $size = WiringFields::size($in, 'size');
        $area = Raceways::conductor($kind, $size) ?? throw $in->at('size')->bad("$kind is not listed in $size.");

        return ['kind' => $kind, 'size' => $size, 'od' => 0.0, 'qty' => $in->int('qty', 1, 100), 'area' => $area];
    }

    private static function limit(int $count, bool $isNipple): float
    {
        return $isNipple ? 60.0 : match ($count) {
            1 => 53.0,
            2 => 31.0,
            default => 40.0,
        };
    }

    private static function smallest(string $type, float $total, float $limitPct): ?string
    {
        foreach (Raceways::TRADE_SIZES as $size) {
            if (Relative::isAtLeast($limitPct, 100 * $total / Raceways::area($type, $size))) {
                return $size;
            }
        }

        return null;
    }

    /** @param list<array{kind: string, size: string, od: float, qty: int, area: float}> $items */
    private function jam(array $items, float $inside): ?float
    {
        $pieces = [];
        $area = 0.0;
        foreach ($items as $item) {
            if ($item['kind'] !== 'bare') {
                $key = "{$item['kind']} {$item['size']} {$item['od']}";
                $pieces[$key] = ($pieces[$key] ?? 0) + $item['qty'];
                $area = $item['area'];
            }
        }

        return array_values($pieces) === [3] ? 1.05 * sqrt(4 * $inside / M_PI) / sqrt(4 * $area / M_PI) : null;
    }

    /** @return array{ocpd: float, is83: bool, terminal: int, hots: int, neutral: bool, egc: bool, kinds: array<string, string>} */
    private function compareFields(Fields $in): array
    {
        $ocpdA = $in->number('ocpd_a', 15, 1000);
        $is83 = Ampacity::is83($in->bool('dwelling_83pct', false), $ocpdA);
        $read = [
            'ocpd' => $ocpdA, 'is83' => $is83, 'terminal' => Ampacity::terminal(WiringFields::maybeOneInt($in, 'terminal_c', [60, 75]), $ocpdA, $is83), 'hots' => $in->int('hots', 1, 3, 2),
            'neutral' => $in->bool('neutral', true), 'egc' => $in->bool('egc', true),
            'kinds' => ['cu' => $in->oneOf('cu_kind', ['thhn', 'xhhw2'], 'thhn'), 'al' => $in->oneOf('al_kind', ['xhhw2', 'xhhw2_compact', 'thhn'], 'xhhw2')],
        ];
        $in->close();

        return $read;
    }

    /**
     * @param array{ocpd: float, is83: bool, terminal: int, hots: int, neutral: bool, egc: bool, kinds: array<string, string>} $want
     *
     * @return array{size: ?string, egc_size: ?string, area_in2: ?float, fill_pct: ?float, fits: bool, min_trade_size: ?string, largest_od_in: ?float}
     */
    private function compareMetal(string $metal, array $want, string $type, string $tradeSize, bool $isNipple): array
    {
        $kind = $want['kinds'][$metal];
        $hot = null;
        foreach (Sizes::AWG as $size) {
            $amps = Ampacity::amps($metal, $size, $want['terminal']);
            $most = min(Ampacity::roundUp($amps), Ampacity::smallCap($metal, $size) ?? INF);
            $isEnough = $want['is83'] ? Relative::isAtLeast($amps, 0.83 * $want['ocpd']) : Relative::isAtLeast($most, $want['ocpd']);
            if ($amps > 0 && $isEnough && Raceways::conductor($kind, $size) !== null) {
                $hot = $size;
                break;
            }
            if ($size === self::LARGEST_LISTED) {
                break;
            }
        }
        if ($hot === null) {
            return ['size' => null, 'egc_size' => null, 'area_in2' => null, 'fill_pct' => null, 'fits' => false, 'min_trade_size' => null, 'largest_od_in' => null];
        }
        $hotArea = (float) Raceways::conductor($kind, $hot);
        $egcSize = $want['egc'] ? EgcTable::egc($want['ocpd'], $metal) : null;
        $egcKind = $egcSize !== null && $kind !== 'xhhw2_compact' && Raceways::conductor($kind, $egcSize) !== null ? $kind : 'xhhw2';
        $count = $want['hots'] + ($want['neutral'] ? 1 : 0) + ($egcSize === null ? 0 : 1);
        $total = ($want['hots'] + ($want['neutral'] ? 1 : 0)) * $hotArea + ($egcSize === null ? 0.0 : (float) Raceways::conductor($egcKind, $egcSize));
        $limitPct = self::limit($count, $isNipple);
        $fillPct = 100 * $total / Raceways::area($type, $tradeSize);

        return [
            'size' => $hot, 'egc_size' => $egcSize, 'area_in2' => $total, 'fill_pct' => $fillPct, 'fits' => Relative::isAtLeast($limitPct, $fillPct),
            'min_trade_size' => self::smallest($type, $total, $limitPct), 'largest_od_in' => sqrt(4 * $hotArea / M_PI),
        ];
    }

    /** @param array{cu: array{fits: bool, min_trade_size: ?string, ...}, al: array{fits: bool, min_trade_size: ?string, ...}} $compare */
    private function judge(array $compare, Findings $findings): void
    {
        if ($compare['cu']['fits'] && ! $compare['al']['fits']) {
            $findings->warn('aluminium-does-not-fit', 'Copper fits this raceway, aluminium does not', 'Copper one size down goes in where large aluminium is a fight.');
        }
        if (! $compare['cu']['fits'] && ! $compare['al']['fits']) {
            $findings->warn('compare-nothing-fits', 'Neither copper nor aluminium fits this raceway', 'Take a larger one.');
        }
        $place = static fn(?string $size): int => $size === null ? PHP_INT_MAX : (int) array_search($size, Raceways::TRADE_SIZES, true);
        if ($compare['cu']['min_trade_size'] !== null && $place($compare['cu']['min_trade_size']) < $place($compare['al']['min_trade_size'])) {
            $findings->note('copper-goes-smaller', "Copper goes in {$compare['cu']['min_trade_size']}", 'Aluminium needs a larger raceway.');
        }
    }
}
