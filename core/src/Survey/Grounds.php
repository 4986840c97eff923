<?php

declare(strict_types=1);

namespace Escapement\Core\Survey;

/**
 * What a proof rests on beside the settings: what was found and planned when it was made. When one of it changes, the
 * proof is to be looked at again.
 */
final readonly class Grounds
{
    /** @param array<string, string> $facts what is read, by its name */
    public function __construct(public array $facts) {}

    /** @return list<string> what is no longer as it was, in words */
    public function changedFrom(self $before): array
    {
        $changes = [];
        foreach ($before->facts + $this->facts as $name => $_) {
            $was = $before->facts[$name] ?? null;
            $is = $this->facts[$name] ?? null;
            if ($was !== $is) {
                $changes[] = match (true) {
                    $was === null => "$name: $is is new",
                    $is === null => "$name: $was is gone",
                    default => "$name: $was, now $is",
                };
            }
        }

        return $changes;
    }
}
