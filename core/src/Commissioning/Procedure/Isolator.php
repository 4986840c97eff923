<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Procedure;

/** A device that is opened, locked and tagged, and what of it stays live. */
final readonly class Isolator
{
    /** @param list<string> $liveFrom names of the sources that keep its line side live */
    public function __construct(public string $ref, public string $name, public array $liveFrom) {}

    /** A cord is pulled, a handle is opened. */
    public function isPlug(): bool
    {
        return $this->ref === 'plug';
    }
}
