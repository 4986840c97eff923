<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule;

/** The clock of a place. The rule for gaps and repeated hours is our own: languages differ. Rule: docs/rules.md#exercise-calendar. */
final readonly class Zone
{
    private const NEAR_S = 2 * Day::S;

    private \DateTimeZone $zone;

    public function __construct(public string $name)
    {
        $this->zone = new \DateTimeZone($name);
    }

    /** UTC, or Area/Location in the letter case of the tz database; no abbreviation, offset or Etc/. */
    public static function isName(string $name): bool
    {
        return $name === 'UTC' || str_contains($name, '/') && ! str_starts_with($name, 'Etc/')
            && in_array($name, \DateTimeZone::listIdentifiers(\DateTimeZone::ALL_WITH_BC), true);
    }

    /** @return int seconds east of UTC */
    public function offsetS(int $utcS): int
    {
        return $this->zone->getOffset(new \DateTimeImmutable("@$utcS"));
    }

    /** @param int $wallS the wall time, counted as if it were UTC */
    public function resolve(int $wallS): WallTime
    {
        $found = [];
        $changes = $this->zone->getTransitions($wallS - self::NEAR_S, $wallS + self::NEAR_S);
        $changes = is_array($changes) ? $changes : [];
        foreach (array_unique(array_column($changes, 'offset')) as $offset) {
            if ($this->offsetS($wallS - $offset) === $offset) {
                $found[] = $wallS - $offset;
            }
        }
        if ($found !== []) {
            return new WallTime(min($found), false, count($found) > 1);
        }
        foreach ($changes as $i => $change) {
            $before = $changes[$i - 1]['offset'] ?? $change['offset'];
            if ($wallS >= $change['ts'] + $before && $wallS < $change['ts'] + $change['offset']) {
                return new WallTime($wallS - $before, true, false);
            }
        }

        throw new \LogicException("$this->name has no time $wallS.");
    }

    /** The smaller of the offsets on 1 January and 1 July. */
    public function standardS(int $year): int
    {
        return min($this->ofHalves($year));
    }

    public function hasSummerTime(int $year): bool
    {
        return count(array_unique($this->ofHalves($year))) > 1;
    }

    /** @return non-empty-list<int> */
    private function ofHalves(int $year): array
    {
        return [$this->offsetS((int) gmmktime(0, 0, 0, 1, 1, $year)), $this->offsetS((int) gmmktime(0, 0, 0, 7, 1, $year))];
    }
}
