<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule;

/** The starts of one switch in a range of days. Rule: docs/rules.md#exercise-calendar. */
final class SwitchCalendar
{
    /** @var list<Occurrence> by time */
    public array $occurrences = [];

    /** @var list<array{int, 'dst_gap'|'merged'|'pause'|'skip'}> nominal day and reason */
    public array $dropped = [];

    public bool $isClamped = false;

    public function __construct(public readonly SwitchExercise $switch, int $from, int $to)
    {
        for ($day = $from; $day <= $to; $day++) {
            if ($switch->exercise->isNominal($day)) {
                $this->isClamped = $this->isClamped || $switch->exercise->isClamped($day);
                $this->nominal($day);
            }
        }
        usort($this->occurrences, static fn(Occurrence $a, Occurrence $b): int => $a->utcS <=> $b->utcS);
    }

    public function runH(): float
    {
        return count($this->occurrences) * $this->switch->exercise->forMin / 60;
    }

    /** @return ?float days between two neighbouring begins */
    public function longestGapDays(): ?float
    {
        $longest = null;
        for ($i = 1; $i < count($this->occurrences); $i++) {
            $longest = max($longest ?? 0, $this->occurrences[$i]->utcS - $this->occurrences[$i - 1]->utcS);
        }

        return $longest === null ? null : $longest / Day::S;
    }

    /** @return array<string, mixed> */
    public function told(): array
    {
        return [
            'id' => $this->switch->id,
            'occurrences' => array_map(static fn(Occurrence $one): array => $one->told(), $this->occurrences),
            'dropped' => array_map(static fn(array $one): array => ['date' => Day::write($one[0]), 'reason' => $one[1]], $this->dropped),
            'count' => count($this->occurrences),
            'run_h' => $this->runH(),
            'longest_gap_days' => $this->longestGapDays(),
        ];
    }

    private function nominal(int $nominal): void
    {
        $exercise = $this->switch->exercise;
        $day = $exercise->place($nominal);
        if (is_string($day)) {
            $this->dropped[] = [$nominal, $day];

            return;
        }
        $wallS = $day * Day::S + 60 * $exercise->minute;
        $begin = $exercise->isStandard
            ? new WallTime($wallS - $this->switch->zone->standardS(Day::year($day)), false, false)
            : $this->switch->zone->resolve($wallS);
        if ($begin->isGap && ! $exercise->shiftsGap) {
            $this->dropped[] = [$nominal, 'dst_gap'];

            return;
        }
        $endS = $begin->utcS + 60 * $exercise->forMin;
        $this->occurrences[] = new Occurrence(
            $begin->utcS,
            $endS,
            $this->switch->zone->offsetS($begin->utcS),
            $this->switch->zone->offsetS($endS),
            $day === $nominal ? null : $nominal,
            $begin->isGap,
            $begin->isTwice,
        );
    }
}
