<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule\Logbook;

/** What happened since somebody was there. Rule: docs/rules.md#logbook-summary. */
final readonly class SinceVisit
{
    private function __construct(private LogbookInput $in, private LogEntry $visit) {}

    public static function of(LogbookInput $in): ?self
    {
        $latest = null;
        foreach ($in->before() as $entry) {
            if ($entry->kind === 'visit' && (int) $entry->end < $in->to && ($latest === null || (int) $entry->end >= (int) $latest->end)) {
                $latest = $entry;
            }
        }

        return $latest === null ? null : new self($in, $latest);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $since = array_values(array_filter($this->in->before(), fn(LogEntry $one): bool => $one->at > (int) $this->visit->end));
        $of = static fn(\Closure $fits): int => count(array_filter($since, $fits));
        $runs = array_filter($since, static fn(LogEntry $one): bool => $one->isRun());

        return [
            'at' => gmdate('Y-m-d\TH:i:s\Z', $this->visit->at),
            'by' => $this->visit->name,
            'run_h' => array_sum(array_map(static fn(LogEntry $one): float => $one->runMin, $runs)) / 60,
            'starts' => count($runs),
            'outages' => $of(static fn(LogEntry $one): bool => $one->kind === 'outage'),
            'alarms' => $of(static fn(LogEntry $one): bool => $one->kind === 'alarm'),
            'exercises_missed' => $of(static fn(LogEntry $one): bool => $one->kind === 'exercise' && ! $one->isDone),
            'services' => $of(static fn(LogEntry $one): bool => $one->kind === 'service'),
            'settings_changed' => $this->areSettingsChanged($since),
            'witness_moved' => LogbookSummary::movedMarks($since),
        ];
    }

    /** @param list<LogEntry> $since */
    private function areSettingsChanged(array $since): ?bool
    {
        $last = static function (array $entries): ?string {
            $hash = null;
            foreach ($entries as $one) {
                $hash = $one instanceof LogEntry && $one->kind === 'settings' ? $one->name : $hash;
            }

            return $hash;
        };
        $before = $last(array_filter($this->in->before(), fn(LogEntry $one): bool => $one->at <= (int) $this->visit->end));
        $after = $last($since);

        return $before === null || $after === null ? null : $before !== $after;
    }
}
