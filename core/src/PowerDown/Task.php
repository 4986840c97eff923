<?php

declare(strict_types=1);

namespace Escapement\Core\PowerDown;

/** One piece of work of the day. */
final readonly class Task
{
    /**
     * @param list<string> $who   all of them are needed for the whole of it
     * @param int          $at    its place in the input; others name it by this
     * @param list<int>    $after the places of what has to be finished first
     * @param bool         $dark  can only be done with the supply open, locked and proved dead
     */
    public function __construct(
        public int $at,
        public string $id,
        public string $name,
        public array $who,
        public int $minutes,
        public array $after,
        public bool $dark,
    ) {}

    /** @param list<int> $after */
    public function waitingFor(array $after): self
    {
        return new self($this->at, $this->id, $this->name, $this->who, $this->minutes, $after, $this->dark);
    }
}
