<?php

declare(strict_types=1);

namespace Escapement\Core\Device;

use Escapement\Core\Commissioning\MarkEvent;
use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Working;
use Escapement\Core\Plant\PlantKind;

/** The device's own log as marks, matched with those of the thumb. Rule: docs/rules.md#log-to-marks. */
final readonly class LogMarks
{
    public function of(LogMarksInput $in): CalculationResult
    {
        $device = $this->marks($in);
        $pairs = $this->pairs($device, $in->stopwatch);
        $offsets = array_map(static fn(array $pair): int => $in->stopwatch[$pair[1]][1] - $device[$pair[0]]->deviceMs, $pairs);
        $offset = self::median($offsets);
        $byDevice = array_column($pairs, 1, 0);
        $marks = [];
        $worst = null;
        foreach ($device as $i => $mark) {
            $stopwatch = isset($byDevice[$i]) ? $in->stopwatch[$byDevice[$i]][1] : null;
            $at = $mark->deviceMs + ($offset ?? 0);
            $difference = $stopwatch === null ? null : $stopwatch - $at;
            $worst = $difference === null ? $worst : max($worst ?? 0, abs($difference));
            $marks[] = [
                'id' => "device-$mark->seq", 'event' => $mark->event->value, 'device_ms' => $mark->deviceMs, 'at_ms' => $at,
                'stopwatch_ms' => $stopwatch, 'difference_ms' => $difference,
            ];
        }
        $paired = array_flip($byDevice);
        $only = array_values(array_diff_key($in->stopwatch, $paired));
        $working = new Working();
        $working->add('Stopwatch after device', 'median of ' . count($pairs) . ' pairs', $offset, 'ms');

        return new CalculationResult([
            'marks' => $marks,
            'stopwatch_only' => array_map(static fn(array $one): array => ['event' => $one[0]->value, 'at_ms' => $one[1]], $only),
            'pairs' => count($pairs),
            'offset_ms' => $offset,
            'worst_ms' => $worst,
        ], $this->findings($in, count($device), count($pairs), $worst, count($only))->worstFirst(), $working->lines);
    }

    /** @return list<DeviceMark> by time */
    private function marks(LogMarksInput $in): array
    {
        $marks = [];
        $held = 'normal';
        $openedFrom = $normalMark = $engine = null;
        foreach ($in->log as $i => $entry) {
            $at = $entry->tMs;
            $event = match ($entry->kind) {
                'source_lost', 'source_returned' => $this->ofSource($in->log, $i, $held, $normalMark),
                'start_contact_closed' => $in->kind === PlantKind::Mobile ? null : MarkEvent::StartSignal,
                'crank_started' => $in->kind === PlantKind::Mobile && $engine !== 'crank_started' ? MarkEvent::StartSignal : null,
                'switch_closed' => self::ofSwitch($entry, $openedFrom),
                'engine_stopped' => MarkEvent::EngineStopped,
                default => null,
            };
            $isNormal = in_array($event, [MarkEvent::UtilityOff, MarkEvent::UtilityOn, MarkEvent::BaitOn, MarkEvent::BaitOff], true);
            $normalMark = $isNormal ? $event : $normalMark;
            if ($event === MarkEvent::UtilityOff || $event === MarkEvent::BaitOff) {
                $at = max(0, $at - $in->dropoutMs);
            }
            if ($event !== null && ! $this->isLeftOut($event, $isNormal, $in->kind)) {
                $marks[] = new DeviceMark($entry->seq, $event, $at);
            }
            $held = $entry->kind === 'switch_closed' ? (string) $entry->to : $held;
            $openedFrom = $entry->kind === 'switch_opened' ? $entry->from : $openedFrom;
            $isOfEngine = in_array($entry->kind, ['crank_started', 'engine_stopped', 'engine_locked_out'], true);
            $engine = $isOfEngine ? $entry->kind : $engine;
        }
        usort($marks, static fn(DeviceMark $a, DeviceMark $b): int => $a->deviceMs <=> $b->deviceMs);

        return $marks;
    }

    /** @param list<DeviceEntry> $log */
    private function ofSource(array $log, int $i, string $held, ?MarkEvent $normalMark): ?MarkEvent
    {
        $entry = $log[$i];

        return match ("$entry->kind $entry->source") {
            'source_lost normal' => $normalMark === MarkEvent::BaitOn ? MarkEvent::BaitOff : MarkEvent::UtilityOff,
            'source_returned normal' => $held === 'emergency' && $this->isLostAgain($log, $i) ? MarkEvent::BaitOn : MarkEvent::UtilityOn,
            'source_returned emergency' => MarkEvent::EngineRunning,
            default => null,
        };
    }

    private static function ofSwitch(DeviceEntry $entry, ?string $openedFrom): ?MarkEvent
    {
        return match (true) {
            $entry->to === 'emergency' => MarkEvent::Transferred,
            $entry->to === 'normal' && $openedFrom === 'emergency' => MarkEvent::Retransferred,
            default => null,
        };
    }

    /** @param list<DeviceEntry> $log */
    private function isLostAgain(array $log, int $i): bool
    {
        foreach (array_slice($log, $i + 1) as $next) {
            if ($next->kind === 'source_lost' && $next->source === 'normal') {
                return true;
            }
            if ($next->kind === 'switch_opened' && $next->from === 'emergency') {
                return false;
            }
        }

        return false;
    }

    private function isLeftOut(MarkEvent $event, bool $isNormal, PlantKind $kind): bool
    {
        $isOfEngine = in_array($event, [MarkEvent::StartSignal, MarkEvent::EngineRunning, MarkEvent::EngineStopped], true);

        return $kind === PlantKind::TwoSource && $isOfEngine || $kind === PlantKind::Mobile && $isNormal;
    }

    /**
     * Per event the first with the first, the second with the second.
     *
     * @param list<DeviceMark>            $device
     * @param list<array{MarkEvent, int}> $stopwatch
     *
     * @return list<array{int, int}> places of both
     */
    private function pairs(array $device, array $stopwatch): array
    {
        $waiting = [];
        foreach ($stopwatch as $i => [$event]) {
            $waiting[$event->value][] = $i;
        }
        $pairs = [];
        foreach ($device as $i => $mark) {
            if (($waiting[$mark->event->value] ?? []) !== []) {
                $pairs[] = [$i, array_shift($waiting[$mark->event->value])];
            }
        }

        return $pairs;
    }

    /** @param list<int> $values */
    private static function median(array $values): int|float|null
    {
        if ($values === []) {
            return null;
        }
        sort($values);
        $middle = intdiv(count($values), 2);

        return count($values) % 2 === 1 ? $values[$middle] : ($values[$middle - 1] + $values[$middle]) / 2;
    }

    private function findings(LogMarksInput $in, int $device, int $pairs, int|float|null $worst, int $only): Findings
    {
        $isBack = $hasGap = false;
        foreach ($in->log as $i => $entry) {
            $before = $in->log[$i - 1] ?? $entry;
            $isBack = $isBack || $entry->tMs < $before->tMs;
            $hasGap = $hasGap || $entry->seq - $before->seq > 1;
        }
        $findings = new Findings();
        foreach (array_keys(array_filter([
            'clock-back' => $isBack,
            'log-gap' => $hasGap,
            'no-common-mark' => $device > 0 && $in->stopwatch !== [] && $pairs === 0,
            'mark-far' => $worst !== null && $worst > $in->matchMs,
            'stopwatch-only' => $only > 0,
            'device-only' => $in->stopwatch !== [] && $device > $pairs,
            'duplicate-seq' => $in->hasTwice,
        ], static fn(bool $isSo): bool => $isSo)) as $id) {
            $findings->raise($id);
        }

        return $findings;
    }
}
