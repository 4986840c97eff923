<?php

declare(strict_types=1);

namespace Escapement\Core\Rehearsal;

/** A number of a story that one may turn: a time in ms, or a count. */
final readonly class StoryNumber
{
    public function __construct(
        public string $name,
        public string $label,
        public int $default,
        public bool $isTime = true,
        public int $max = 86_400_000,
    ) {}
}
