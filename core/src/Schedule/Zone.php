<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule;

/** The clock of a place. The rule for gaps and repeated hours is our own: languages differ. Rule: docs/rules.md#exercise-calendar. */
final readonly class Zone
{
    private const NEAR_S = 2 * Day::S;
    private const CHUNK_S = 400 * Day::S;

    private \DateTimeZone $zone;
    /** @var \ArrayObject<int, non-empty-list<array{int, int}>> moments of change and the offset from there on, by stretch of 400 days */
    private \ArrayObject $known;

    public function __construct(public string $name)
    {
        $this->zone = new \DateTimeZone($name);
        /** @var \ArrayObject<int, non-empty-list<array{int, int}>> $known */
        $known = new \ArrayObject();
        $this->known = $known;
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
        return $this->changes($utcS, $utcS)[0][1];
    }

    /** @param int $wallS the wall time, counted as if it were UTC */
    public function resolve(int $wallS): WallTime
    {
        $found = [];
        $changes = $this->changes($wallS - self::NEAR_S, $wallS + self::NEAR_S);
        foreach (array_unique(array_column($changes, 1)) as $offset) {
            if ($this->offsetS($wallS - $offset) === $offset) {
                $found[] = $wallS - $offset;
            }
        }
        if ($found !== []) {
            return new WallTime(min($found), false, count($found) > 1);
        }
        foreach ($changes as $i => [$ts, $offset]) {
            $before = $changes[$i - 1][1] ?? $offset;
            if ($wallS >= $ts + $before && $wallS < $ts + $offset) {
                return new WallTime($wallS - $before, true, false);
            }
        }

        throw new \LogicException("$this->name has no time $wallS.");
    }

    /**
     * The offset at the begin of a stretch of a few days, and the changes within it.
     *
     * @return non-empty-list<array{int, int}>
     */
    private function changes(int $from, int $to): array
    {
        $chunk = (int) floor($from / self::CHUNK_S);
        $this->known[$chunk] ??= $this->chunk($chunk * self::CHUNK_S);
        $all = $this->known[$chunk];
        $at = 0;
        while (isset($all[$at + 1]) && $all[$at + 1][0] <= $from) {
            $at++;
        }
        $changes = [[$from, $all[$at][1]]];
        for ($at++; isset($all[$at]) && $all[$at][0] <= $to; $at++) {
            $changes[] = $all[$at];
        }

        return $changes;
    }

    /** @return non-empty-list<array{int, int}> */
    private function chunk(int $from): array
    {
        $found = $this->zone->getTransitions($from, $from + self::CHUNK_S + 3 * self::NEAR_S);
        $changes = [];
        foreach (is_array($found) ? $found : [] as $one) {
            $changes[] = [$one['ts'], $one['offset']];
        }

        return $changes === [] ? throw new \LogicException("Nothing is known of $this->name.") : $changes;
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
