<?php

declare(strict_types=1);

namespace Escapement\Core\Rehearsal;

use Escapement\Core\Settings\Settings;
use Escapement\Core\Site\Kind;
use Escapement\Core\Site\Plant;

/** A ready scenario with a name, what it teaches, and the few numbers of it that one may turn. */
enum Story: string
{
    case Outage = 'outage';
    case Blink = 'blink';
    case FalseReturn = 'false_return';
    case FailedCrank = 'failed_crank';
    case TripUnderLoad = 'trip_under_load';
    case LoadTest = 'load_test';

    public function title(): string
    {
        return match ($this) {
            self::Outage => 'Plain outage',
            self::Blink => 'Blink',
            self::FalseReturn => 'Return that does not last',
            self::FailedCrank => 'Failed first crank',
            self::TripUnderLoad => 'Generator trips under load',
            self::LoadTest => 'Test with load',
        };
    }

    public function teaches(): string
    {
        return match ($this) {
            self::Outage => 'How long the load is dark, and what each delay adds to it.',
            self::Blink => 'A blink shorter than the start delay must start nothing.',
            self::FalseReturn => 'The load must not go back to a supply that has not proved itself.',
            self::FailedCrank => 'What one failed crank and its rest cost in dark time.',
            self::TripUnderLoad => 'The switch waits on a dead generator, and goes back the moment the utility is there.',
            self::LoadTest => 'A test carries the load and comes back through the return delay.',
        };
    }

    /** @return list<StoryNumber> */
    public function numbers(): array
    {
        $off = new StoryNumber('off_ms', 'Utility lost at', 10_000);
        $lasts = new StoryNumber('lasts_ms', 'Outage lasts', 180_000);

        return match ($this) {
            self::Outage => [$off, $lasts],
            self::Blink => [$off, new StoryNumber('lasts_ms', 'Blink lasts', 2000)],
            self::FalseReturn => [
                $off, new StoryNumber('first_ms', 'First outage lasts', 60_000), new StoryNumber('back_ms', 'Back for', 10_000),
                new StoryNumber('second_ms', 'Second outage lasts', 120_000),
            ],
            self::FailedCrank => [$off, $lasts, new StoryNumber('failures', 'Cranks that fail', 1, isTime: false, max: 10)],
            self::TripUnderLoad => [$off, new StoryNumber('trip_ms', 'Trips after', 90_000), new StoryNumber('lasts_ms', 'Outage lasts', 180_000)],
            self::LoadTest => [new StoryNumber('off_ms', 'Test begins at', 10_000), new StoryNumber('for_ms', 'Test lasts', 300_000)],
        };
    }

    public function fits(Plant $plant): bool
    {
        return match ($this) {
            self::Outage, self::Blink, self::FalseReturn => true,
            self::FailedCrank, self::TripUnderLoad => $plant->engine !== null,
            self::LoadTest => $plant->kind === Kind::Standby,
        };
    }

    /**
     * The events on the wire.
     *
     * @param array<string, int> $n the numbers by name
     *
     * @return list<array<string, mixed>>
     */
    public function events(array $n, Plant $plant): array
    {
        $utility = static fn(int $atMs, int|float $v): array => ['at_ms' => $atMs, 'do' => 'set_source', 'source' => 'normal', 'v' => $v];
        $good = $plant->normal->nominalV;
        $off = $n['off_ms'];

        return match ($this) {
            self::Outage, self::Blink => [$utility($off, 0), $utility($off + $n['lasts_ms'], $good)],
            self::FalseReturn => [
                $utility($off, 0),
                $utility($off + $n['first_ms'], $good),
                $utility($off + $n['first_ms'] + $n['back_ms'], 0),
                $utility($off + $n['first_ms'] + $n['back_ms'] + $n['second_ms'], $good),
            ],
            self::FailedCrank => [
                ['at_ms' => 0, 'do' => 'crank_failures', 'count' => $n['failures']],
                $utility($off, 0),
                $utility($off + $n['lasts_ms'], $good),
            ],
            self::TripUnderLoad => self::inOrder([
                $utility($off, 0),
                ['at_ms' => $off + $n['trip_ms'], 'do' => 'engine_trip', 'reason' => 'low oil pressure'],
                $utility($off + $n['lasts_ms'], $good),
            ]),
            self::LoadTest => [['at_ms' => $off, 'do' => 'test_start', 'with_load' => true, 'for_ms' => $n['for_ms']]],
        };
    }

    /**
     * Long enough for everything to come to rest after the last event.
     *
     * @param array<string, int> $n
     */
    public function untilMs(array $n, Plant $plant, Settings $settings): int
    {
        $engine = $plant->engine;
        $cranks = $engine === null ? 0 : $engine->crankAttempts * ($engine->crankLimitMs + $engine->crankRestMs) + $engine->runUpMs + $engine->stopMs;

        return array_sum(array_filter($n, static fn(string $name): bool => str_ends_with($name, '_ms'), ARRAY_FILTER_USE_KEY))
            + $settings->normal->dropoutDelayMs + (int) $settings->startDelayMs + $cranks + $settings->transferDelayMs + 2 * $settings->moveMs()
            + (int) $settings->returnDelayMs + max((int) $settings->cooldownMs, $settings->minRunMs) + 60_000;
    }

    /**
     * @param list<array<string, mixed>> $events
     *
     * @return list<array<string, mixed>>
     */
    private static function inOrder(array $events): array
    {
        usort($events, static fn(array $a, array $b): int => $a['at_ms'] <=> $b['at_ms']);

        return $events;
    }
}
