<?php

declare(strict_types=1);

namespace Escapement\Core\Rehearsal;

use Escapement\Core\Plant\Load;
use Escapement\Core\Plant\Plant;
use Escapement\Core\Plant\PlantKind;
use Escapement\Core\Settings\Exercise;
use Escapement\Core\Settings\Settings;

/** A ready scenario with a name, what it teaches, and the few numbers of it that one may turn. */
enum Story: string
{
    case Outage = 'outage';
    case Blink = 'blink';
    case FalseReturn = 'false_return';
    case FailedCrank = 'failed_crank';
    case TripUnderLoad = 'trip_under_load';
    case LoadTest = 'load_test';
    case Sag = 'sag';
    case BrownOut = 'brown_out';
    case SlowReturn = 'slow_return';
    case LostPhase = 'lost_phase';
    case ReversedPhases = 'reversed_phases';
    case DriftingFrequency = 'drifting_frequency';
    case LockOut = 'lock_out';
    case TestOvertaken = 'test_overtaken';
    case ExerciseCollides = 'exercise_collides';
    case Overload = 'overload';
    case SelectorOff = 'selector_off';
    case GeneratorRunsByHand = 'generator_by_hand';

    /** On a vehicle nothing starts by itself: in these somebody starts the generator, and stops it when the shore supply is back. */
    public const BY_HAND = [self::Outage, self::FailedCrank, self::TripUnderLoad, self::LockOut];

    public function title(): string
    {
        return match ($this) {
            self::Outage => 'Plain outage',
            self::Blink => 'Blink',
            self::FalseReturn => 'Return that does not last',
            self::FailedCrank => 'Failed first crank',
            self::TripUnderLoad => 'Generator trips under load',
            self::LoadTest => 'Test with load',
            self::Sag => 'Sag',
            self::BrownOut => 'Brown-out',
            self::SlowReturn => 'Slow return',
            self::LostPhase => 'One leg or phase lost',
            self::ReversedPhases => 'Phases reversed after a repair',
            self::DriftingFrequency => 'Drifting frequency',
            self::LockOut => 'Lock-out and reset',
            self::TestOvertaken => 'Test overtaken by an outage',
            self::ExerciseCollides => 'Exercise that collides',
            self::Overload => 'Overload while shedding',
            self::SelectorOff => 'Selector left off',
            self::GeneratorRunsByHand => 'Generator started by hand',
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
            self::Sag => 'A dip shorter than the drop-out delay is ridden through, however deep.',
            self::BrownOut => 'The lights are on and the compressors cook: does the drop-out see it?',
            self::SlowReturn => 'On a weak line the voltage creeps up; the return delay starts at pick-up, not at the first volt.',
            self::LostPhase => 'Half the house is dark although the other half is not: the source counts as lost.',
            self::ReversedPhases => 'Voltage and frequency are perfect, and every motor would run backwards.',
            self::DriftingFrequency => 'Only a limit on frequency sees it; without one the clocks and motors suffer it.',
            self::LockOut => 'After the last failed crank nothing happens by itself any more, until somebody resets it.',
            self::TestOvertaken => 'A real outage goes before a test; the load must not wait its transfer delay twice.',
            self::ExerciseCollides => 'An exercise that falls into an outage is skipped; who hears of it?',
            self::Overload => 'The least important load goes first, and a lock-out keeps it away for a while.',
            self::SelectorOff => 'Somebody forgot the selector: no start, no transfer, dark for as long as it lasts.',
            self::GeneratorRunsByHand => 'A generator that runs is taken only when there is a reason to; a mobile relay always takes it.',
        };
    }

    /**
     * @param ?PlantKind $kind on a vehicle somebody has to start the generator: when, is a number of the story
     *
     * @return list<StoryNumber>
     */
    public function numbers(?PlantKind $kind = null): array
    {
        $byHand = $kind === PlantKind::Mobile && in_array($this, self::BY_HAND, true) ? [new StoryNumber(
            'hand_ms',
            'Generator started by hand after',
            20_000,
        )] : [];

        return [...$this->ownNumbers(), ...$byHand];
    }

    /** @return list<StoryNumber> */
    private function ownNumbers(): array
    {
        $off = new StoryNumber('off_ms', 'Utility lost at', 10_000);
        $lasts = new StoryNumber('lasts_ms', 'Outage lasts', 180_000);
        $from = new StoryNumber('off_ms', 'Begins at', 10_000);
        $percent = static fn(int $default): StoryNumber => new StoryNumber(
            'percent',
            'Voltage falls to, % of nominal',
            $default,
            isTime: false,
            max: 200,
        );

        return match ($this) {
            self::Outage, self::LostPhase => [$off, $lasts],
            self::Blink => [$off, new StoryNumber('lasts_ms', 'Blink lasts', 2000)],
            self::FalseReturn => [
                $off, new StoryNumber('first_ms', 'First outage lasts', 60_000), new StoryNumber('back_ms', 'Back for', 10_000),
                new StoryNumber('second_ms', 'Second outage lasts', 120_000),
            ],
            self::FailedCrank => [$off, $lasts, new StoryNumber('failures', 'Cranks that fail', 1, isTime: false, max: 10)],
            self::TripUnderLoad => [$off, new StoryNumber('trip_ms', 'Trips after', 90_000), $lasts],
            self::LoadTest => [new StoryNumber('off_ms', 'Test begins at', 10_000), new StoryNumber('for_ms', 'Test lasts', 300_000)],
            self::Sag => [$from, new StoryNumber('lasts_ms', 'Lasts', 400), $percent(60)],
            self::BrownOut => [$from, new StoryNumber('lasts_ms', 'Lasts', 180_000), $percent(82)],
            self::SlowReturn => [$off, $lasts, new StoryNumber('ramp_ms', 'Creeps back over', 30_000)],
            self::ReversedPhases => [$from, new StoryNumber('lasts_ms', 'Lasts', 180_000)],
            self::DriftingFrequency => [
                $from,
                new StoryNumber('ramp_ms', 'Drifts over', 60_000),
                new StoryNumber('percent', 'Frequency falls to, % of nominal', 88, isTime: false, max: 200),
                new StoryNumber('lasts_ms', 'Stays there for', 120_000),
            ],
            self::LockOut => [$off, new StoryNumber('reset_ms', 'Somebody resets it after', 150_000), $lasts],
            self::TestOvertaken => [
                new StoryNumber('off_ms', 'Test begins at', 10_000),
                new StoryNumber('lost_ms', 'Utility lost after', 15_000),
                $lasts,
            ],
            self::ExerciseCollides => [$off, $lasts, new StoryNumber('due_ms', 'Exercise due after', 60_000)],
            self::Overload => [
                $off,
                $lasts,
                new StoryNumber('more_ms', 'Load comes on after', 100_000),
                new StoryNumber('kw', 'It draws, kW', 6, isTime: false, max: 1000),
            ],
            self::SelectorOff => [$off, $lasts, new StoryNumber('found_ms', 'Turned to auto after', 120_000)],
            self::GeneratorRunsByHand => [new StoryNumber('off_ms', 'Started at', 10_000), new StoryNumber('for_ms', 'Runs for', 120_000)],
        };
    }

    /** @param list<Load> $loads */
    public function fits(Plant $plant, Settings $settings, array $loads): bool
    {
        // the relay follows the generator and nothing else: what only the shore supply does changes nothing
        if ($plant->kind === PlantKind::Mobile) {
            return $plant->engine !== null && ($this === self::GeneratorRunsByHand || in_array($this, self::BY_HAND, true));
        }

        return match ($this) {
            self::Outage, self::Blink, self::FalseReturn, self::Sag, self::BrownOut, self::SlowReturn, self::DriftingFrequency => true,
            self::LostPhase => $plant->normal->phases > 1,
            self::ReversedPhases => $plant->normal->isThreePhase(),
            self::FailedCrank, self::TripUnderLoad, self::LockOut, self::GeneratorRunsByHand => $plant->engine !== null,
            self::LoadTest, self::TestOvertaken, self::ExerciseCollides => $plant->kind === PlantKind::Standby,
            self::SelectorOff => true,
            self::Overload => $settings->loadShed !== null && $loads !== [],
        };
    }

    /**
     * The sheet that the story is played on: the real one, but where the story needs an exercise of its own.
     *
     * @param array<string, int> $n
     */
    public function sheet(Settings $settings, array $n): Settings
    {
        return $this !== self::ExerciseCollides ? $settings
            : $settings->withExercise(new Exercise($n['off_ms'] + $n['due_ms'], 604_800_000, 900_000, false));
    }

    /**
     * The events on the wire.
     *
     * @param array<string, int> $n     the numbers by name
     * @param list<Load>         $loads
     *
     * @return list<array<string, mixed>>
     */
    public function events(array $n, Plant $plant, array $loads = []): array
    {
        return (new StoryEvents($n, $plant, $loads))->of($this);
    }

    /**
     * Long enough for everything to come to rest after the last event.
     *
     * @param array<string, int> $n
     */
    public function untilMs(array $n, Plant $plant, Settings $settings): int
    {
        return array_sum(array_filter(
            $n,
            static fn(string $name): bool => str_ends_with($name, '_ms'),
            ARRAY_FILTER_USE_KEY,
        )) + SettlingTime::ms($plant, $settings);
    }
}
