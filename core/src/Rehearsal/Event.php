<?php

declare(strict_types=1);

namespace Escapement\Core\Rehearsal;

/** Something that happened. `keys` go on the wire, `why` is what the sentence for the technician is made from. */
final readonly class Event
{
    /**
     * @param array<string, mixed> $keys
     * @param array<string, mixed> $why
     */
    public function __construct(
        public int $tMs,
        public string $kind,
        public array $keys = [],
        public array $why = [],
    ) {}
}
