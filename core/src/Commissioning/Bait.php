<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning;

/** Utility brought back for less than the return delay and taken away again: the load must stay. */
final readonly class Bait
{
    /** @param 'pass'|'fail'|'void' $verdict */
    public function __construct(public int $onMs, public ?int $heldMs, public string $verdict) {}

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['on_ms' => $this->onMs, 'held_ms' => $this->heldMs, 'verdict' => $this->verdict];
    }
}
