<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule\Service;

use Escapement\Core\Schedule\Day;

/** When one item is due, and by what. Rule: docs/rules.md#service-due. */
final readonly class DueItem
{
    /** Nobody plans a century ahead. */
    private const MOST_DAYS = 36_500;

    public ?float $hours;
    public ?int $months;
    public bool $isFirst;
    public ?int $lastDay;
    public ?float $lastH;
    public ?float $dueH;
    public ?float $remainingH;
    public ?int $byHours;
    public ?int $byMonths;
    public ?int $due;
    /** @var ?('hours'|'months') */
    public ?string $by;
    /** @var 'never'|'ok'|'overdue'|'soon' */
    public string $state;

    public function __construct(public ServiceItem $item, private ServiceInput $in, EngineHours $engine)
    {
        $last = $this->last();
        $this->lastDay = $last?->day;
        $this->lastH = $last === null ? null : $last->engineH ?? $engine->on($last->day);
        [$this->isFirst, $this->hours, $this->months] = self::rhythm($item, $last !== null);
        [$this->dueH, $this->remainingH, $this->byHours] = $this->byTheMeter($engine);
        $this->byMonths = $this->months === null ? null : Day::addMonths($this->lastDay ?? $in->installed, $this->months);
        $isByHours = $this->byHours !== null && ($this->byMonths === null || $this->byHours < $this->byMonths);
        $this->due = $isByHours ? $this->byHours : $this->byMonths;
        $this->by = $this->due === null ? null : ($isByHours ? 'hours' : 'months');
        $this->state = $this->judged($last !== null);
    }

    /** @return array{bool, ?float, ?int} whether the shorter first interval counts; hours and months of the interval */
    private static function rhythm(ServiceItem $item, bool $wasDone): array
    {
        return $wasDone ? [false, $item->hours, $item->months] : [
            $item->firstHours !== null || $item->firstMonths !== null,
            $item->firstHours ?? $item->hours,
            $item->firstMonths ?? $item->months,
        ];
    }

    /** @return array{?float, ?float, ?int} reading at which it is due, hours until then, and the day that this comes to */
    private function byTheMeter(EngineHours $engine): array
    {
        if ($this->hours === null) {
            return [null, null, null];
        }
        $dueH = ($this->lastH ?? 0.0) + $this->hours;
        $remainingH = $dueH - $engine->on($this->in->today);

        return [$dueH, $remainingH, $this->dayOf($remainingH, $engine->rate)];
    }

    /** Of two on one day the one that was written later. */
    private function last(): ?ServiceEntry
    {
        $last = null;
        foreach ($this->in->history as $entry) {
            if ($entry->item === $this->item->id && ($last === null || $entry->day >= $last->day)) {
                $last = $entry;
            }
        }

        return $last;
    }

    public function daysOverdue(): int
    {
        return $this->byMonths === null ? 0 : max(0, $this->in->today - $this->byMonths);
    }

    /** @return array<string, mixed> */
    public function told(): array
    {
        $day = static fn(?int $day): ?string => $day === null ? null : Day::write($day);

        return [
            'id' => $this->item->id, 'source' => $this->item->isGeneric ? 'generic' : 'given', 'hours' => $this->hours,
            'months' => $this->months, 'first' => $this->isFirst, 'last_done' => $day($this->lastDay), 'last_h' => $this->lastH,
            'due_h' => $this->dueH, 'remaining_h' => $this->remainingH, 'due_by_hours' => $day($this->byHours),
            'due_by_months' => $day($this->byMonths), 'due' => $day($this->due), 'by' => $this->by, 'state' => $this->state,
            'days_overdue' => $this->daysOverdue(), 'hours_over' => max(0.0, -($this->remainingH ?? 0.0)),
            'minutes' => $this->item->minutes, 'skill' => $this->item->skill,
        ];
    }

    private function dayOf(float $remainingH, float $rate): ?int
    {
        if ($remainingH <= 0) {
            return $this->in->today;
        }
        $days = $rate > 0 ? ceil($remainingH / $rate - 1e-9) : INF;

        return $days > self::MOST_DAYS ? null : $this->in->today + (int) $days;
    }

    /** @return 'never'|'ok'|'overdue'|'soon' */
    private function judged(bool $wasDone): string
    {
        if ($this->byMonths !== null && $this->byMonths < $this->in->today || $this->remainingH !== null && $this->remainingH < 0) {
            return $wasDone ? 'overdue' : 'never';
        }
        $isSoon = $this->due !== null && $this->due <= $this->in->today + $this->in->soonDays
            || $this->remainingH !== null && $this->remainingH <= $this->in->soonH;

        return $isSoon ? 'soon' : 'ok';
    }
}
