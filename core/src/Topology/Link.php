<?php

declare(strict_types=1);

namespace Escapement\Core\Topology;

/** A conductor from one terminal to another, as drawn; current may pass it both ways. */
final readonly class Link
{
    public function __construct(public string $fromId, public string $fromPort, public string $toId, public string $toPort) {}

    public function from(): string
    {
        return "$this->fromId.$this->fromPort";
    }

    public function to(): string
    {
        return "$this->toId.$this->toPort";
    }

    public function isLike(self $other): bool
    {
        return [$this->from(), $this->to()] === [$other->from(), $other->to()];
    }
}
