<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Rehearsal;

use Escapement\Core\Input\Node;
use Escapement\Core\Rehearsal\Scenario;
use Escapement\Core\Wire\ScenarioReader;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** A scenario drawn from a number: any kind, short delays so that everything collides, sags, ramps, tests, trips, loads. */
final class RandomScenario
{
    private Randomizer $random;

    public function __construct(int $seed)
    {
        $this->random = new Randomizer(new Mt19937($seed));
    }

    public function scenario(int $shiftMs = 0, bool $withExercise = true): Scenario
    {
        return (new ScenarioReader())->scenario(Node::fromArray($this->input($shiftMs, $withExercise)));
    }

    /** @return array<string, mixed> */
    public function input(int $shiftMs = 0, bool $withExercise = true): array
    {
        $kind = $this->pick(['standby', 'standby', 'two_source', 'mobile']);
        $phases = $this->int(1, 3);
        $source = ['phases' => $phases, 'nominal_v' => $this->pick([120, 230, 27.7]), 'nominal_hz' => $this->pick([50, 60])];
        $ms = fn(): int => $this->pick([0, 0, 1, 3, 10, 50, 100, 500, 2000]);
        $input = [
            'system' => [
                'kind' => $kind,
                'sources' => ['normal' => $source, 'emergency' => $source],
                'engine' => $kind === 'two_source' ? null : [
                    'crank_ms' => $ms(), 'crank_limit_ms' => $this->pick([5, 100, 1000, 3000]), 'crank_rest_ms' => $ms(),
                    'crank_attempts' => $this->int(1, 3), 'run_up_ms' => $ms(), 'stop_ms' => $ms(),
                ],
            ],
            'settings' => [
                'sensing' => ['normal' => $this->sensing($phases), 'emergency' => $this->sensing($phases)],
                'start_delay_ms' => $ms(), 'transfer_delay_ms' => $ms(), 'return_delay_ms' => $ms(), 'cooldown_ms' => $ms(),
                'min_run_ms' => $ms(), 'transition' => $this->pick(['open', 'delayed']), 'travel_ms' => $ms(), 'off_delay_ms' => $ms(),
                'commit_to_transfer' => $this->pick([true, false]),
                'load_shed' => $this->pick([null, [
                    'limit_kw' => $this->pick([3, 5.5, 8]), 'first_step_ms' => $ms(), 'step_ms' => $this->pick([1, 7, 100]),
                    'overload_ms' => $ms(), 'lockout_ms' => $ms(),
                ]]),
            ],
            'loads' => [
                ['id' => 'a', 'kw' => $this->pick([0.1, 2]), 'priority' => 1, 'shed' => false],
                ['id' => 'b', 'kw' => 0.2, 'priority' => 2, 'shed' => true],
                ['id' => 'c', 'kw' => $this->pick([3, 5.2]), 'priority' => 2, 'shed' => true],
                ['id' => 'd', 'kw' => 2.5, 'priority' => 1, 'shed' => true],
            ],
            'events' => [],
            'until_ms' => 20_000 + $shiftMs,
        ];
        if ($withExercise && $kind !== 'mobile' && $this->int(0, 2) === 0) {
            $input['settings']['exercise'] = [
                'first_at_ms' => $this->int(0, 4000),
                'every_ms' => $this->int(100, 9000),
                'for_ms' => $this->int(0, 3000),
                'with_load' => $this->pick([true, false]),
            ];
        }
        $t = $shiftMs;
        for ($i = $this->int(1, 14); $i > 0; $i--) {
            $t += $this->pick([0, 1, 5, 50, 499, 500, 501, 3000]);
            $input['events'][] = ['at_ms' => $t] + $this->event($kind, $phases, $source['nominal_v'], $source['nominal_hz']);
        }

        return $input;
    }

    /** @return array<string, mixed> */
    private function sensing(int $phases): array
    {
        $sensing = [
            'under_voltage' => $this->pick([['dropout_pct' => 80, 'pickup_pct' => 90], ['dropout_pct' => 70.5, 'pickup_pct' => 99.9]]),
            'over_voltage' => $this->pick([null, ['dropout_pct' => 115, 'pickup_pct' => 110]]),
            'under_frequency' => $this->pick([null, ['dropout_pct' => 90, 'pickup_pct' => 95]]),
            'over_frequency' => $this->pick([null, ['dropout_pct' => 110, 'pickup_pct' => 105]]),
            'dropout_delay_ms' => $this->pick([0, 1, 100, 500]),
        ];

        return $phases < 3 ? $sensing : $sensing + [
            'unbalance' => $this->pick([null, ['dropout_pct' => 5, 'pickup_pct' => 3]]), 'rotation_check' => $this->pick([true, false]),
        ];
    }

    /** @return array<string, mixed> */
    private function event(string $kind, int $phases, int|float $volts, int $hertz): array
    {
        $side = $kind === 'two_source' ? $this->pick(['normal', 'emergency']) : 'normal';
        $level = fn(): int|float => $volts * $this->pick([0, 0, 0.3, 0.5, 0.85, 1, 1, 1, 1.2]);
        $v = $this->int(0, 3) > 0 ? $level() : array_map($level, range(1, $phases));
        $choices = [
            ['do' => 'set_source', 'source' => $side, 'v' => $v],
            ['do' => 'set_source', 'source' => $side, 'v' => $volts, 'hz' => $hertz],
            [
                'do' => 'ramp_source',
                'source' => $side,
                'v' => $v,
                'hz' => $this->pick([$hertz, 0.8 * $hertz]),
                'over_ms' => $this->int(1, 3000),
            ],
            ['do' => 'set_load', 'load' => $this->pick(['a', 'b', 'c', 'd']), 'kw' => $this->pick([0, 0.3, 4, 9])],
        ];
        if ($kind !== 'two_source') {
            array_push(
                $choices,
                ['do' => 'crank_failures', 'count' => $this->int(0, 4)],
                ['do' => 'engine_trip'],
                ['do' => 'engine_reset'],
                ['do' => 'start_generator'],
                ['do' => 'start_generator'],
                ['do' => 'stop_generator'],
            );
        }
        if ($kind !== 'mobile') {
            array_push(
                $choices,
                ['do' => 'test_start', 'with_load' => $this->pick([true, false])] + $this->pick([[], ['for_ms' => $this->int(0, 2000)]]),
                ['do' => 'test_stop'],
                ['do' => 'selector', 'to' => $this->pick(['off', 'auto', 'auto'])],
            );
        }

        return $this->pick($choices);
    }

    private function int(int $min, int $max): int
    {
        return $this->random->getInt($min, $max);
    }

    /**
     * @template T
     *
     * @param non-empty-list<T> $from
     *
     * @return T
     */
    private function pick(array $from): mixed
    {
        return $from[$this->int(0, count($from) - 1)];
    }
}
