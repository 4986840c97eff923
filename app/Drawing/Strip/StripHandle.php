<?php

declare(strict_types=1);

namespace App\Drawing\Strip;

/** A piece of a script that can be taken hold of on the strip. */
final readonly class StripHandle
{
    /** @param string $field the name of its row in the form, to which `[at]` and `[lasts]` are added */
    public function __construct(
        public string $field,
        public string $label,
        public int $atMs,
        public ?int $lastsMs,
        public bool $isOfEngine,
    ) {}
}
