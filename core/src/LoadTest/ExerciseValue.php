<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Working;
use Escapement\Core\Wiring\Dates;

/** What a run proves, what it does not, and what is due. Rule: docs/rules.md#exercise-value. */
final readonly class ExerciseValue
{
    /** In a critical site a monthly run may come this many days after the last one: health-care practice, to be confirmed. */
    private const MONTHLY_DAYS = [20, 40];

    /** @var array<string, string> date by run type, of passed runs */
    private array $last;

    public function __construct(private ExerciseInput $in)
    {
        $last = $in->lastDone;
        foreach ($in->runs as $run) {
            foreach ($run->verdict === 'pass' ? $run->counts() : [] as $type) {
                $last[$type->value] = max($last[$type->value] ?? '', $run->date);
            }
        }
        $this->last = $last;
    }

    public function result(): ExerciseResult
    {
        $types = [];
        foreach (RunType::cases() as $type) {
            $proves = array_keys(array_filter(RunType::proofs(), static fn(array $by): bool => in_array($type->value, $by, true)));
            $types[$type->value] = [
                'proves' => $proves,
                'does_not_prove' => array_values(array_diff(array_keys(RunType::proofs()), $proves)),
            ];
        }
        $due = [];
        $working = new Working();
        foreach (RunType::cases() as $type) {
            if (isset($this->in->intervals[$type->value])) {
                $due[] = $one = $this->due($type, $this->in->intervals[$type->value]);
                $working->add(
                    ucfirst(str_replace('_', ' ', $type->value)),
                    ($one->lastDone ?? 'never done') . " and $one->months months",
                    $one->due,
                    '',
                );
            }
        }
        $next = null;
        foreach ($due as $one) {
            $next = $next === null || $one->due < $next['due'] ? ['type' => $one->type, 'due' => $one->due] : $next;
        }

        return new ExerciseResult($types, $due, $this->proofs(), $next, $this->findings($due)->worstFirst(), $working->lines);
    }

    private function due(RunType $type, int $months): DueRun
    {
        $last = $this->last[$type->value] ?? null;
        if ($last === null) {
            return new DueRun($type->value, $months, null, $this->in->today, null, $this->in->today, 0, 'never');
        }
        $isMonthly = $this->in->isCritical && $type === RunType::BuildingLoad;
        $due = Dates::plusMonths($last, $months);
        $latest = $isMonthly ? Dates::plusDays($last, self::MONTHLY_DAYS[1]) : $due;

        return new DueRun(
            $type->value,
            $months,
            $last,
            $due,
            $isMonthly ? Dates::plusDays($last, self::MONTHLY_DAYS[0]) : null,
            $latest,
            max(0, Dates::daysBetween($latest, $this->in->today)),
            match (true) {
                $latest < $this->in->today => 'overdue',
                $due <= Dates::plusDays($this->in->today, $this->in->soonDays) => 'soon',
                default => 'ok',
            },
        );
    }

    /** @return list<array{id: string, last_proven: ?string, by: ?string}> */
    private function proofs(): array
    {
        $proofs = [];
        foreach (RunType::proofs() as $id => $types) {
            $date = $by = null;
            foreach ($types as $type) {
                $done = $this->last[$type] ?? null;
                if ($done !== null && ($date === null || $done >= $date)) {
                    [$date, $by] = [$done, $type];
                }
            }
            $proofs[] = ['id' => $id, 'last_proven' => $date, 'by' => $by];
        }

        return $proofs;
    }

    /** @param list<DueRun> $due */
    private function findings(array $due): Findings
    {
        $findings = new Findings();
        $done = array_keys($this->last);
        if (array_intersect(array_column(RunType::MEASURED, 'value'), $done) === []) {
            $findings->raise('exercise-value/never-load-tested');
        }
        if ($done !== [] && array_diff($done, array_column(RunType::IDLE, 'value')) === []) {
            $findings->raise('exercise-only');
        }
        $failed = $this->failed();
        if ($failed !== []) {
            $findings->raise('last-run-failed', ['which' => self::words($failed)], $failed);
        }
        foreach (['overdue' => 'overdue', 'never' => 'never-done'] as $status => $id) {
            $which = array_map(
                static fn(DueRun $one): string => $one->type,
                array_values(array_filter($due, static fn(DueRun $one): bool => $one->status === $status)),
            );
            if ($which !== []) {
                $findings->raise("exercise-value/$id", ['which' => self::words($which)], $which);
            }
        }
        if (! isset($this->last[RunType::Outage->value])) {
            $findings->raise('exercise-value/outage-never-proved');
        }

        return $findings;
    }

    /** @return list<string> run types whose latest run failed */
    private function failed(): array
    {
        $latest = [];
        foreach ($this->in->lastDone as $type => $date) {
            $latest[$type] = [$date, 'pass'];
        }
        foreach ($this->in->runs as $run) {
            $type = $run->judgedAs()->value;
            if (! isset($latest[$type]) || $run->date >= $latest[$type][0]) {
                $latest[$type] = [$run->date, $run->verdict];
            }
        }

        return array_keys(array_filter($latest, static fn(array $one): bool => $one[1] === 'fail'));
    }

    /** @param list<string> $types */
    private static function words(array $types): string
    {
        return str_replace('_', ' ', implode(', ', $types));
    }
}
