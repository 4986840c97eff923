<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

/** One thing that a load test has to show. */
final readonly class Requirement
{
    /**
     * @param string                       $id `level-30`, voltage, frequency, droop, transient, oil, coolant
     * @param 'fail'|'not_proven'|'pass'   $verdict
     */
    public function __construct(public string $id, public string $verdict, public string $reason) {}
}
