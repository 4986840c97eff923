<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Procedure;

/** An answer that was kept: to what it was given, and what it was worth then. */
final readonly class Answered
{
    public function __construct(public string $step, public string $expectation, public Verdict $verdict) {}
}
