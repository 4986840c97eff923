<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\Device;

use Escapement\Core\Device\LogReadings;
use Escapement\Core\Device\LogReadingsInput;
use Escapement\Core\Device\Poll;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\Wire\InputReader;

/** `log_to_readings` on the wire. Rule: docs/rules.md#log-to-readings. */
final readonly class LogReadingsReader implements InputReader
{
    private const POLL = ['t_ms', 'v_v', 'a_a', 'hz', 'kw', 'pf', 'oil_kpa', 'coolant_c', 'exhaust_c', 'battery_v'];
    private const MOST = 10_000;

    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function answer(Node $node): array
    {
        return (new LogReadings())->of($this->input($node))->toArray();
    }

    /** @throws BadInput */
    public function input(Node $node): LogReadingsInput
    {
        $in = (new Fields($node))->only(
            ['polls', 'interval_s', 'nominal_v', 'nominal_hz', 'step_kw', 'window_s', 'v_band_pct', 'hz_band_pct'],
        );
        $polls = array_map(static fn(Node $one): Poll => self::poll(new Fields($one)), $in->list('polls', 1, 100_000));
        $intervalS = $in->np('interval_s', 60.0);
        $nominalV = $in->np('nominal_v', 120.0);
        $nominalHz = $in->np('nominal_hz', 60.0);
        $stepKw = $in->np('step_kw');
        $windowS = $in->np('window_s', 30.0);
        $vBand = $in->np('v_band_pct', 3.0);
        $hzBand = $in->np('hz_band_pct', 1.0);
        if ($polls === []) {
            throw new \LogicException('A list of at least one is not empty.');
        }
        foreach ($polls as $i => $poll) {
            $at = $in->at('polls')->at($i, null);
            if ($i > 0 && $poll->tMs <= $polls[$i - 1]->tMs) {
                throw $at->at('t_ms', null)->bad('The time of each poll comes after that of the one before it.');
            }
            foreach (['v_v' => $poll->v, 'a_a' => $poll->a] as $key => $list) {
                if (count($list) !== count($polls[0]->v)) {
                    throw $at->at($key, null)->bad('Every list has as many legs as the first.');
                }
            }
        }

        return new LogReadingsInput($polls, $intervalS, $nominalV, $nominalHz, $stepKw, $windowS, $vBand, $hzBand);
    }

    private static function poll(Fields $in): Poll
    {
        $in->only(self::POLL);
        $tMs = $in->int('t_ms', 0, LogMarksReader::MOST_MS);
        $legs = static fn(string $key): array => array_map(
            static fn(Node $one): float => (float) $one->number(0, 1e9),
            $in->list($key, 1, 3),
        );
        $v = $legs('v_v');
        $a = $legs('a_a');
        $maybe = static fn(string $key): ?float => $in->maybeNumber($key, -self::MOST, self::MOST);

        return new Poll(
            $tMs,
            $v === [] ? throw new \LogicException('A list of at least one is not empty.') : $v,
            $a,
            $in->n0('hz'),
            $in->n0('kw'),
            $in->number('pf', 0, 1, 1.0),
            $maybe('oil_kpa'),
            $maybe('coolant_c'),
            $maybe('exhaust_c'),
            $maybe('battery_v'),
        );
    }
}
