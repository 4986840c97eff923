<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\Panel;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\Panel\FeederSchedule\FeederChangeover;
use Escapement\Core\Panel\FeederSchedule\FeederInput;
use Escapement\Core\Panel\FeederSchedule\FeederSchedule;
use Escapement\Core\Panel\FeederSchedule\FeederSupply;
use Escapement\Core\Panel\FeederSchedule\FeederWay;
use Escapement\Core\Wire\InputReader;
use Escapement\Core\Wire\ResultWriter;
use Escapement\Core\Wiring\Sizes;
use Escapement\Core\Wiring\WiringFields;

/** `feeder_schedule3` on the wire. Rule: docs/rules.md#feeder-schedule3. */
final readonly class FeederScheduleReader implements InputReader
{
    private const KEYS = ['style', 'v_ll_v', 'utility', 'generator', 'changeover', 'busbar', 'diversity', 'drop_limit_pct', 'ways'];
    private const CHANGEOVER = [
        'rating_a', 'utility_breaker_a', 'generator_breaker_a', 'withstand_ka', 'withstand_s', 'combination', 'closing_peak_ka',
        'utility_clear_s', 'generator_clear_s',
    ];
    private const WAY = [
        'id', 'poles', 'phase', 'load_a', 'pf', 'breaker_a', 'breaking_ka', 'i2t_a2s', 'clear_s', 'length_m', 'material', 'ambient_c',
        'size', 'pe_size', 'shed', 'rcd_ma', 'disconnect_s',
    ];
    private const IEC = ['curve', 'insulation_c', 'circuits', 'final'];
    private const NEC = ['magnetic_x', 'insulation_c', 'ccc', 'continuous'];
    private const FINAL_S = 0.4;
    private const OTHER_S = 5.0;

    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function answer(Node $node): array
    {
        return ResultWriter::write((new FeederSchedule())->judge($this->input($node)));
    }

    /** @throws BadInput */
    public function input(Node $node): FeederInput
    {
        $in = new Fields($node);
        $isIec = $in->oneOf('style', ['iec', 'nec']) === 'iec';
        $in->only(self::KEYS);
        $vLl = $in->number('v_ll_v', 100, 1000);
        $utility = $in->object('utility')->only(['transformer_kva', 'z_pct', 'fault_ka']);
        $transformer = $utility->number('transformer_kva', 1, 10_000);
        $zPct = $utility->number('z_pct', 0.5, 20);
        $faultKa = self::orNull($utility, 'fault_ka', 0.1, 200);
        $generator = $in->at('generator')->isNull() ? null
            : $in->object('generator')->only(['kva', 'xd2_pct', 'x0_pct', 'sustained_multiple']);
        $supply = new FeederSupply(
            $vLl,
            $transformer,
            $zPct,
            $faultKa,
            $generator?->number('kva', 1, 10_000),
            $generator?->number('xd2_pct', 1, 60, 12.0) ?? 12.0,
            $generator?->number('x0_pct', 0.5, 60, 6.0) ?? 6.0,
            $generator === null ? null : self::sustained($generator),
        );
        $changeover = $this->changeover($in, $generator !== null);
        $diversity = $in->maybeObject('diversity');
        $method = $diversity?->oneOf('method', ['none', 'board', 'switchgear', 'factor'], 'none') ?? 'none';
        $diversity?->only($method === 'factor' ? ['method', 'factor'] : ['method']);

        return new FeederInput(
            $isIec,
            $supply,
            $changeover,
            $method,
            $method === 'factor' ? $diversity?->number('factor', 0.1, 1) : null,
            $in->number('drop_limit_pct', 0.1, 20, 3.0),
            $in->each('ways', 1, 60, fn(Fields $way): FeederWay => $this->way($way, $isIec), isOptional: false),
        );
    }

    private static function sustained(Fields $in): ?float
    {
        return $in->has('sustained_multiple') && $in->at('sustained_multiple')->isNull() ? null
            : $in->number('sustained_multiple', 0.1, 10, 3.0);
    }

    private function changeover(Fields $in, bool $hasGenerator): FeederChangeover
    {
        $keys = array_diff(self::CHANGEOVER, $hasGenerator ? [] : ['generator_breaker_a']);
        $board = $in->object('changeover')->only(array_values($keys));
        $rating = $board->number('rating_a', 1, 10_000);
        $utilityBreaker = $board->number('utility_breaker_a', 1, 10_000);
        $generatorBreaker = $hasGenerator ? $board->number('generator_breaker_a', 1, 10_000) : null;
        $withstandKa = $board->number('withstand_ka', 0.1, 200);
        $withstandS = $board->number('withstand_s', 0.001, 5, 0.06);
        $isCombination = $board->bool('combination', false);
        $closing = self::orNull($board, 'closing_peak_ka', 0.1, 500);
        $utilityClear = $board->number('utility_clear_s', 0.001, 5, 0.05);
        $generatorClear = $board->number('generator_clear_s', 0.001, 5, 0.05);
        $busbar = $in->object('busbar')->only(['rating_a', 'icw_ka', 'icw_s', 'peak_ka']);

        return new FeederChangeover(
            $rating,
            $utilityBreaker,
            $generatorBreaker,
            $withstandKa,
            $withstandS,
            $isCombination,
            $closing,
            $utilityClear,
            $generatorClear,
            $busbar->number('rating_a', 1, 10_000),
            $busbar->number('icw_ka', 0.1, 200),
            $busbar->number('icw_s', 0.01, 5, 1.0),
            self::orNull($busbar, 'peak_ka', 0.1, 500),
        );
    }

    private function way(Fields $in, bool $isIec): FeederWay
    {
        $poles = WiringFields::maybeOneInt($in, 'poles', $isIec ? [1, 3] : [1, 2, 3])
            ?? throw BadInput::missing($in->node->at('poles', null)->path);
        $keys = [...self::WAY, ...($isIec ? self::IEC : self::NEC)];
        $in->only($poles === 3 ? array_values(array_diff($keys, ['phase'])) : $keys);
        $id = $in->text('id', 40);
        $phases = self::phases($in, $poles);
        $loadA = $in->number('load_a', 0.01, 2000);
        $pf = $in->number('pf', 0.1, 1, 0.9);
        $breaker = self::orNull($in, 'breaker_a', $isIec ? 6 : 15, 4000);
        $breaking = $in->number('breaking_ka', 0.1, 200);
        $i2t = self::orNull($in, 'i2t_a2s', 1, 1e10);
        $clear = $in->number('clear_s', 0.001, 1, 0.02);
        $length = $in->number('length_m', 0.1, 2000);
        $material = $in->oneOf('material', ['cu', 'al'], 'cu');
        $ambient = $in->number('ambient_c', -40, 90, 30.0);
        $size = self::size($in, 'size', $isIec, $material);
        $pe = self::size($in, 'pe_size', $isIec, $material);
        $isShed = $in->bool('shed', false);
        $rcd = self::orNull($in, 'rcd_ma', 1, 30_000);
        $disconnect = self::orNull($in, 'disconnect_s', 0.01, 60);
        $curve = $isIec ? $in->oneOf('curve', ['B', 'C', 'D'], 'C') : null;
        $magneticX = $isIec ? null : $in->number('magnetic_x', 3, 20, 10.0);
        $insulation = WiringFields::oneInt($in, 'insulation_c', $isIec ? [70, 90] : [60, 75, 90], $isIec ? 70 : 90);
        $grouped = $isIec ? $in->int('circuits', 1, 100, 1) : $in->int('ccc', 1, 100, 3);
        $isFinal = $isIec && $in->bool('final', false);

        return new FeederWay(
            $id,
            $poles,
            $phases,
            $loadA,
            $pf,
            $breaker,
            $breaking,
            $i2t,
            $clear,
            $length,
            $material,
            $ambient,
            $size,
            $pe,
            $isShed,
            $rcd,
            $disconnect ?? ($isFinal ? self::FINAL_S : self::OTHER_S),
            $curve,
            $insulation,
            $grouped,
            $magneticX,
            ! $isIec && $in->bool('continuous', false),
        );
    }

    /** @return list<string> */
    private static function phases(Fields $in, int $poles): array
    {
        return match ($poles) {
            1 => [$in->oneOf('phase', ['L1', 'L2', 'L3'], 'L1')],
            2 => str_split($in->oneOf('phase', ['L1L2', 'L2L3', 'L3L1'], 'L1L2'), 2),
            default => ['L1', 'L2', 'L3'],
        };
    }

    private static function size(Fields $in, string $key, bool $isIec, string $material): ?string
    {
        if ($in->at($key)->isNull()) {
            return null;
        }
        $size = $in->oneOf($key, $isIec ? Sizes::MM2 : Sizes::AWG);

        return in_array($size, $isIec ? Sizes::metric($material) : Sizes::awg($material), true) ? $size
            : throw $in->at($key)->bad('Aluminum is not made in this size.');
    }

    private static function orNull(Fields $in, string $key, float $min, float $max): ?float
    {
        return $in->at($key)->isNull() ? null : $in->number($key, $min, $max);
    }
}
