<?php

declare(strict_types=1);

namespace Escapement\Core\Settings;

/** What differs between two sheets, leaf by leaf, absent values taken as their defaults. Rule: docs/rules.md#settings-diff. */
final readonly class SettingsDiff
{
    /** @return list<Change> sorted by path */
    public function compare(Settings $from, Settings $to): array
    {
        $changes = $this->changes('', $from->toArray(), $to->toArray());
        usort($changes, static fn(Change $a, Change $b): int => strcmp($a->path, $b->path));

        return $changes;
    }

    /** @return list<Change> */
    private function changes(string $path, mixed $from, mixed $to): array
    {
        if (is_array($from) && is_array($to)) {
            $changes = [];
            foreach ($from as $key => $value) {
                array_push($changes, ...$this->changes("$path/$key", $value, $to[$key]));
            }

            return $changes;
        }
        $isSame = is_int($from) || is_float($from) ? (is_int($to) || is_float($to)) && (float) $from === (float) $to : $from === $to;

        return $isSame ? [] : [new Change($path, $from, $to)];
    }
}
