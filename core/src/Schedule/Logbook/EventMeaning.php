<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule\Logbook;

/** What a line in the event log of a controller means for a logbook. */
enum EventMeaning: string
{
    case Nothing = 'nothing';
    case UtilityLost = 'utility_lost';
    case UtilityBack = 'utility_back';
    case EngineStarted = 'engine_started';
    case EngineStopped = 'engine_stopped';
    case OnGenerator = 'on_generator';
    case OnUtility = 'on_utility';
    case ExerciseBegun = 'exercise_begun';
    case ExerciseEnded = 'exercise_ended';
    case Alarm = 'alarm';
    case Cleared = 'cleared';

    public function label(): string
    {
        return match ($this) {
            self::Nothing => 'nothing for the logbook',
            self::UtilityLost => 'utility lost',
            self::UtilityBack => 'utility back',
            self::EngineStarted => 'engine started',
            self::EngineStopped => 'engine stopped',
            self::OnGenerator => 'load on the generator',
            self::OnUtility => 'load on the utility',
            self::ExerciseBegun => 'exercise begun',
            self::ExerciseEnded => 'exercise ended',
            self::Alarm => 'alarm',
            self::Cleared => 'alarms cleared',
        };
    }

    /** A first guess from the words of the log, to be confirmed; what says nothing clear means nothing. */
    public static function guess(string $words): self
    {
        $w = mb_strtolower($words);
        $has = static fn(string $pattern): bool => preg_match("/$pattern/", $w) === 1;
        $isBack = $has('restor|return|back|available|accept|good|healthy|normal');

        return match (true) {
            $has('exercis|self.?test') => $has('end|stop|finish|complete|done') ? self::ExerciseEnded : self::ExerciseBegun,
            $has('clear|reset|acknowledg') => self::Cleared,
            $has('alarm|fault|warning|shutdown|overcrank|fail(ed|ure)? to|over.?speed|low oil|low battery') => self::Alarm,
            $has('(transfer|load|closed|position|atse?|switch).*(emerg|gen|source 2|s2)') => self::OnGenerator,
            $has('(re-?transfer|transfer|load|closed|position|atse?|switch).*(norm|util|mains|source 1|s1)') => self::OnUtility,
            $has('util|mains|normal|source 1|line') => $has('lost|loss|fail|out|drop|unavail|bad') ? self::UtilityLost
                : ($isBack ? self::UtilityBack : self::Nothing),
            $has('engine|generator|genset|set') => $has('stop|shut') ? self::EngineStopped
                : ($has('start|run') ? self::EngineStarted : self::Nothing),
            default => self::Nothing,
        };
    }
}
