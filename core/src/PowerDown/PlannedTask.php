<?php

declare(strict_types=1);

namespace Escapement\Core\PowerDown;

/** One piece of work of the day as it is planned: it waits for others by their ids. */
final readonly class PlannedTask
{
    /**
     * @param list<string> $who    all of them are needed for the whole of it
     * @param list<string> $after  ids of what has to be finished first
     * @param bool         $isDark can only be done with the supply open, locked and proved dead
     */
    public function __construct(
        public string $id,
        public string $name,
        public array $who,
        public int $minutes,
        public array $after = [],
        public bool $isDark = false,
    ) {}
}
