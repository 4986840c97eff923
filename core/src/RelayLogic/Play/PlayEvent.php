<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Play;

/** One line of the script; which fields mean anything depends on the verb. */
final readonly class PlayEvent
{
    /**
     * @param string               $name     the supply, button, position, or what has the fault
     * @param ?non-empty-list<float>         $v        line to neutral, per phase
     * @param ?('abc'|'acb')       $rotation
     * @param ?int                 $phase    counted from 0
     * @param string               $fault    weld, coil_open, stuck_on …
     */
    public function __construct(
        public int $atMs,
        public PlayVerb $verb,
        public string $name = '',
        public ?array $v = null,
        public ?string $rotation = null,
        public ?int $phase = null,
        public bool $isIn = false,
        public int $count = 0,
        public string $fault = '',
    ) {}

    /** The same fault has the same key. */
    public function faultKey(): string
    {
        return "$this->fault:$this->name" . ($this->phase === null ? '' : ":$this->phase");
    }
}
