<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule\Clash;

/** What is wrong with a run at a place, among the runs as they stand. Rule: docs/rules.md#exercise-clashes. */
final class ClashKinds
{
    public const IDS = [
        'person_overlap' => 'person-overlap', 'person_away' => 'person-away', 'group' => 'group-overlap', 'block' => 'in-block',
        'quiet' => 'in-quiet-hours', 'sleep' => 'in-sleep-hours', 'business_load' => 'load-in-business-hours',
    ];

    private RunIndex $ofPerson;
    private RunIndex $ofGroup;

    public function __construct(private readonly ClashInput $in)
    {
        $this->ofPerson = new RunIndex();
        $this->ofGroup = new RunIndex();
        array_map($this->place(...), $in->runs);
    }

    /** Puts a run to another time; all that is asked after it sees it there. */
    public function move(PlacedRun $run, int $s): void
    {
        $switch = $this->in->switches[$run->switch];
        if ($switch->person !== null) {
            $this->ofPerson->remove($switch->person->id, $run);
        }
        if ($switch->group !== null) {
            $this->ofGroup->remove($switch->group->id, $run);
        }
        $run->moveTo($s);
        $this->place($run);
    }

    private function place(PlacedRun $run): void
    {
        $switch = $this->in->switches[$run->switch];
        if ($switch->person !== null) {
            $this->ofPerson->add($switch->person->id, $run);
        }
        if ($switch->group !== null) {
            $this->ofGroup->add($switch->group->id, $run);
        }
    }

    /** @return list<string> in the order of the table */
    public function at(PlacedRun $run): array
    {
        $switch = $this->in->switches[$run->switch];
        $holds = [
            'person_overlap' => $this->meetsPerson($run, null),
            'person_away' => $switch->person !== null && ! $switch->person->hours->holds($run->s, $run->e),
            'group' => $this->isGroupFull($run, null),
            'block' => $switch->blocks->overlaps($run->s, $run->e),
            'quiet' => $switch->quiet->overlaps($run->s, $run->e),
            'sleep' => $switch->sleep->overlaps($run->s, $run->e),
            'business_load' => $switch->of->exercise->isWithLoad && $switch->business->overlaps($run->s, $run->e),
        ];

        return array_keys(array_filter($holds));
    }

    /** The time is bad for this site alone, without regard to what other sites do. */
    public function isPlaceBad(int $switchAt, int $s, int $e): bool
    {
        $switch = $this->in->switches[$switchAt];

        return $switch->person !== null && ! $switch->person->hours->holds($s, $e)
            || $switch->quiet->overlaps($s, $e) || $switch->sleep->overlaps($s, $e) || $switch->blocks->overlaps($s, $e)
            || $switch->of->exercise->isWithLoad && $switch->business->overlaps($s, $e);
    }

    /** @param null|\Closure(PlacedRun): bool $counts which others count; null: all */
    public function meetsOthers(PlacedRun $run, ?\Closure $counts): bool
    {
        return $this->meetsPerson($run, $counts) || $this->isGroupFull($run, $counts);
    }

    /** @param null|\Closure(PlacedRun): bool $counts */
    private function meetsPerson(PlacedRun $run, ?\Closure $counts): bool
    {
        foreach ($this->personRuns($run, $counts) as $other) {
            return true;
        }

        return false;
    }

    /**
     * @param null|\Closure(PlacedRun): bool $counts
     *
     * @return iterable<PlacedRun> of other switches that need the same person about then
     */
    private function personRuns(PlacedRun $run, ?\Closure $counts): iterable
    {
        $person = $this->in->switches[$run->switch]->person;
        if ($person === null) {
            return;
        }
        foreach ($this->ofPerson->near($person->id, $run->s - $person->betweenS, $run->e + $person->betweenS) as $other) {
            if ($other->switch !== $run->switch && $run->s < $other->e + $person->betweenS && $other->s < $run->e + $person->betweenS
                && ($counts === null || $counts($other))) {
                yield $other;
            }
        }
    }

    /**
     * @param null|\Closure(PlacedRun): bool $counts
     *
     * @return array<int, true> other switches
     */
    public function personPartners(PlacedRun $run, ?\Closure $counts): array
    {
        $partners = [];
        foreach ($this->personRuns($run, $counts) as $other) {
            $partners[$other->switch] = true;
        }

        return $partners;
    }

    /**
     * @param null|\Closure(PlacedRun): bool $counts
     *
     * @return array<int, true> other switches of the group that overlap
     */
    public function groupPartners(PlacedRun $run, ?\Closure $counts): array
    {
        return array_fill_keys(array_map(static fn(PlacedRun $one): int => $one->switch, $this->groupRuns($run, $counts)), true);
    }

    /** @param null|\Closure(PlacedRun): bool $counts */
    private function isGroupFull(PlacedRun $run, ?\Closure $counts): bool
    {
        $group = $this->in->switches[$run->switch]->group;
        $others = $this->groupRuns($run, $counts);
        if ($group === null || count($others) < $group->most) {
            return false;
        }
        // the number of those that run changes upward only where one begins
        foreach ([$run, ...$others] as $begin) {
            $moment = max($begin->s, $run->s);
            $together = 1 + count(array_filter(
                $others,
                static fn(PlacedRun $one): bool => $one->s <= $moment && $moment < $one->e + $group->gapS,
            ));
            if ($moment < $run->e + $group->gapS && $together > $group->most) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param null|\Closure(PlacedRun): bool $counts
     *
     * @return list<PlacedRun>
     */
    private function groupRuns(PlacedRun $run, ?\Closure $counts): array
    {
        $group = $this->in->switches[$run->switch]->group;
        if ($group === null) {
            return [];
        }
        $others = [];
        foreach ($this->ofGroup->near($group->id, $run->s - $group->gapS, $run->e + $group->gapS) as $key => $other) {
            if ($other->switch !== $run->switch && $run->s < $other->e + $group->gapS && $other->s < $run->e + $group->gapS
                && ($counts === null || $counts($other))) {
                $others[$key] = $other;
            }
        }

        return array_values($others);
    }
}
