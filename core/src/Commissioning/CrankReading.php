<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning;

use Escapement\Core\Plant\Engine;
use Escapement\Core\SettingsCheck\Window;

/**
 * Which crank a measured start tells of. The window of "generator good" reaches to the last crank, since the switch waits for
 * it; a start that took more than one crank passes there, and is reported all the same. Rule: docs/rules.md#timing-verdict.
 */
final readonly class CrankReading
{
    private function __construct(public int $attempt, public string $sentence) {}

    /** Null where nothing is to be told: no engine, one crank only, not timed, or in time on the first crank. */
    public static function of(?Engine $engine, Interval $interval): ?self
    {
        $nominal = $interval->window->nominalMs;
        if ($engine === null || $engine->crankAttempts < 2 || $interval->event !== 'engine_running' || $interval->measuredMs === null
            || $nominal === null) {
            return null;
        }
        $first = Window::around($interval->event, $interval->window->from, $nominal);
        $each = $engine->crankLimitMs + $engine->crankRestMs;
        if ($interval->measuredMs <= (int) $first->maxMs || $each <= 0) {
            return null;
        }
        $attempt = min($engine->crankAttempts, 1 + intdiv($interval->measuredMs - (int) $first->minMs, $each));

        return $attempt < 2
            ? new self(1, 'Later than a first crank, sooner than a second: choke, battery, fuel or governor. Find out why.')
            : new self(
                $attempt,
                "As late as crank $attempt of $engine->crankAttempts. The switch waits for it; "
                . 'a healthy engine fires on the first. Find out why.',
            );
    }
}
