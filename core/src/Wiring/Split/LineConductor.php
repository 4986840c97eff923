<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\Split;

/** A conductor from the meter on a line lug of the switch: which leg it is, and where it landed. */
final readonly class LineConductor
{
    /**
     * @param string $leg A, B, N
     * @param string $lug L1, L2, N
     */
    public function __construct(public string $id, public string $leg, public string $lug, public float $lengthFt) {}
}
