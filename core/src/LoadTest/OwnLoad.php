<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

/** A load of the house that can be switched on for a test. */
final readonly class OwnLoad
{
    public function __construct(public string $name, public float $kw, public bool $isMotor = false) {}
}
