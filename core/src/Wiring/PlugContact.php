<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring;

/** What was measured over one contact: millivolts at amperes. */
final readonly class PlugContact
{
    public function __construct(public string $id, public float $dropMv, public float $currentA) {}
}
