<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\Raceway;

use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Working;
use Escapement\Core\Input\RelativeTolerance;
use Escapement\Core\Wiring\Raceways;
use Escapement\Core\Wiring\WiringFields;

/** Does the mix fit the pipe, what is the smallest pipe for it, and would copper be the easier pull. Rule: docs/rules.md#raceway-fill. */
final readonly class RacewayFill
{
    /** Fuller than this, stiff conductors are a hard pull through a flexible raceway. */
    private const TIGHT_PCT = 30;

    /** Conductor to raceway, where three equal ones wedge side by side in a bend. */
    private const JAM = [2.8, 3.2];

    public function judge(RacewayFillInput $in): RacewayFillResult
    {
        $count = array_sum(array_map(static fn(FillItem $item): int => $item->qty, $in->items));
        $limitPct = Raceways::limitPct($count, $in->isNipple);
        $total = array_sum(array_map(static fn(FillItem $item): float => $item->qty * $item->areaIn2, $in->items));
        $inside = Raceways::area($in->type, $in->tradeSize);
        $fillPct = 100 * $total / $inside;
        $minTradeSize = Raceways::smallest($in->type, $total, $limitPct);
        $jam = $this->jam($in->items, $inside);
        $fills = $in->compare === null ? null : new MetalFills($in, $in->compare);
        $compare = $fills === null ? null : ['cu' => $fills->of('cu'), 'al' => $fills->of('al')];
        $working = new Working();
        $working->add('Fill', sprintf('%.4g in² of %d / %.4g in²', $total, $count, $inside), $fillPct, '%');
        $working->add('Limit', $in->isNipple ? 'a nipple' : "$count together", $limitPct, '%');
        $findings = new Findings();
        $fits = RelativeTolerance::isAtLeast($limitPct, $fillPct);
        if (! $fits) {
            $findings->raise('fill-over-limit', ['fill_pct' => $fillPct, 'limit_pct' => $limitPct, 'min_trade_size' => $minTradeSize]);
        }
        if ($minTradeSize === null) {
            $findings->raise('no-trade-size-fits');
        }
        if ($jam !== null && RelativeTolerance::isAtLeast($jam, self::JAM[0]) && RelativeTolerance::isAtLeast(self::JAM[1], $jam)) {
            $findings->raise('jam-risk', ['jam' => $jam]);
        }
        $this->judgePull($in, $fillPct, $findings);
        if ($compare !== null) {
            $this->judgeMetals($compare['cu'], $compare['al'], $findings);
        }
        WiringFields::confirm($findings);

        return new RacewayFillResult(
            $count,
            $total,
            $inside,
            $limitPct,
            $fillPct,
            $fits,
            $minTradeSize,
            $jam,
            $compare,
            ! $findings->hasStop(),
            $findings->worstFirst(),
            $working->lines,
        );
    }

    /** @param list<FillItem> $items */
    private function jam(array $items, float $inside): ?float
    {
        $pieces = [];
        $area = 0.0;
        foreach ($items as $item) {
            if ($item->kind !== 'bare') {
                $key = "$item->kind $item->size $item->odIn";
                $pieces[$key] = ($pieces[$key] ?? 0) + $item->qty;
                $area = $item->areaIn2;
            }
        }

        return array_values($pieces) === [3] ? 1.05 * sqrt(4 * $inside / M_PI) / sqrt(4 * $area / M_PI) : null;
    }

    private function judgePull(RacewayFillInput $in, float $fillPct, Findings $findings): void
    {
        if (Raceways::asksForWireGround($in->type)) {
            $findings->raise('wire-egc');
        }
        $isStiff = array_filter($in->items, static fn(FillItem $item): bool => $item->isStiff()) !== [];
        if (Raceways::isFlexible($in->type) && $isStiff && RelativeTolerance::isOver($fillPct, self::TIGHT_PCT)) {
            $findings->raise('tight-pull', ['fill_pct' => $fillPct]);
        }
        if (array_filter($in->items, static fn(FillItem $item): bool => $item->isCable()) !== []) {
            $findings->raise('confirm-cable-od');
        }
    }

    private function judgeMetals(MetalFill $copper, MetalFill $aluminum, Findings $findings): void
    {
        if ($copper->fits && ! $aluminum->fits) {
            $findings->raise('aluminium-does-not-fit');
        }
        if (! $copper->fits && ! $aluminum->fits) {
            $findings->raise('compare-nothing-fits');
        }
        $place = static fn(?string $size): int => $size === null ? PHP_INT_MAX : (int) array_search($size, Raceways::TRADE_SIZES, true);
        if ($copper->minTradeSize !== null && $place($copper->minTradeSize) < $place($aluminum->minTradeSize)) {
            $findings->raise('copper-goes-smaller', ['min_trade_size' => $copper->minTradeSize]);
        }
    }
}
