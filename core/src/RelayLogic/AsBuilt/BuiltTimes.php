<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\AsBuilt;

use Escapement\Core\RelayLogic\Play\PlayResult;

/**
 * What a stopwatch beside the panel reads when its first source is lost and comes back, by its circuit and its dials, in ms;
 * null: it does not come. The intervals are those of `timing_verdict`. Rule: docs/rules.md#panel-as-built.
 */
final readonly class BuiltTimes
{
    public ?int $transferMs;
    public ?int $returnMs;
    public ?int $startSignalMs;
    public ?int $engineRunningMs;
    public ?int $engineStopMs;
    /** As it goes back, between the click of the one letting go and that of the other pulling in. */
    public ?int $gapMs;
    /** In which both sources' main contacts were closed. */
    public bool $bothClosed;
    /** The load stayed on fewer phases than there are. */
    public bool $singlePhasing;

    public function __construct(BuiltPanel $panel, PlayResult $result, int $lostAtMs, int $backAtMs)
    {
        $first = static fn(string $kind, ?int $fromMs): ?int => self::first($result, $kind, $fromMs, $panel->second());
        $away = $panel->mainClosed($result, (string) $panel->second(), $lostAtMs);
        $back = $away === null ? null : $panel->mainClosed($result, $panel->first(), $backAtMs);
        $called = $first('engine_called', $lostAtMs);
        $this->transferMs = self::between($lostAtMs, $away);
        $this->returnMs = self::between($backAtMs, $back);
        $this->startSignalMs = self::between($lostAtMs, $called);
        $this->engineRunningMs = self::between($called, $first('engine_at_speed', $called));
        $this->engineStopMs = self::between($back, $first('engine_stopped', $back));
        $this->gapMs = self::between($first('main_opened', $backAtMs), $back);
        $this->bothClosed = $result->bothClosed !== [];
        $this->singlePhasing = in_array('single-phasing', array_column($result->findings, 'id'), true);
    }

    /** When that supply first did so; null where it never did, or where what it counts from did not happen. */
    private static function first(PlayResult $result, string $kind, ?int $fromMs, ?string $supply): ?int
    {
        foreach ($fromMs === null ? [] : $result->events as $event) {
            if ($event['kind'] === $kind && $event['t_ms'] >= $fromMs && ($event['supply'] ?? null) === $supply) {
                return is_int($event['t_ms']) ? $event['t_ms'] : null;
            }
        }

        return null;
    }

    private static function between(?int $from, ?int $to): ?int
    {
        return $from === null || $to === null ? null : $to - $from;
    }

    /** What the panel does when that is lost, in a sentence. */
    public function words(string $lost, string $second): string
    {
        $seconds = static fn(int $ms): string => rtrim(rtrim(number_format($ms / 1000, 3, '.', ''), '0'), '.') . ' s';

        return $this->transferMs === null ? "$lost lost: by its circuit the panel does not notice."
            : "$lost lost: by its circuit the load is on $second after {$seconds($this->transferMs)}" . ($this->singlePhasing
                ? '; until then it stays on two phases, and motors need protection of their own.' : '.');
    }

    /** By the name of an interval of `timing_verdict`. */
    public function of(string $interval): ?int
    {
        return match ($interval) {
            'start_signal' => $this->startSignalMs,
            'engine_running' => $this->engineRunningMs,
            'transfer' => $this->transferMs,
            'return' => $this->returnMs,
            'engine_stop' => $this->engineStopMs,
            default => null,
        };
    }
}
