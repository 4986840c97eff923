<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

use Escapement\Core\Input\Tolerance;

/** How long a value took back into its band: one time for every class, a time by class, or not seen. */
final readonly class Recovery
{
    /** @param null|array<string, ?float> $byClass seconds; null: it never came back inside that band */
    public function __construct(public ?float $seconds, public ?array $byClass = null) {}

    public function isKnown(): bool
    {
        return $this->byClass !== null || $this->seconds !== null;
    }

    /** What is not known does not speak against a class. */
    public function meets(GovernorClass $class, float $limitS): bool
    {
        if (! $this->isKnown()) {
            return true;
        }
        $seconds = $this->byClass === null ? $this->seconds : $this->byClass[$class->value];

        return $seconds !== null && ! Tolerance::exceeds($seconds, $limitS);
    }
}
