<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule\Clash;

use Escapement\Core\Schedule\Day;

/** Runs of a person or of a group by the days they touch, so that only those near a time are looked at. */
final class RunIndex
{
    /** @var array<string, array<int, array<int, PlacedRun>>> by person or group, by day, by object */
    private array $runs = [];

    public function add(string $of, PlacedRun $run): void
    {
        for ($day = intdiv($run->s, Day::S); $day <= intdiv($run->e, Day::S); $day++) {
            $this->runs[$of][$day][spl_object_id($run)] = $run;
        }
    }

    public function remove(string $of, PlacedRun $run): void
    {
        for ($day = intdiv($run->s, Day::S); $day <= intdiv($run->e, Day::S); $day++) {
            unset($this->runs[$of][$day][spl_object_id($run)]);
        }
    }

    /** @return iterable<int, PlacedRun> by object, that lie about this time; one over midnight may come twice */
    public function near(string $of, int $from, int $to): iterable
    {
        for ($day = intdiv($from, Day::S); $day <= intdiv($to, Day::S); $day++) {
            yield from $this->runs[$of][$day] ?? [];
        }
    }
}
