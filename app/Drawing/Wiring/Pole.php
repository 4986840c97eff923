<?php

declare(strict_types=1);

namespace App\Drawing\Wiring;

/** A contact between two ports of the enclosure, drawn once for each leg. */
final readonly class Pole
{
    /**
     * @param string       $upper port whose lug lies above
     * @param string       $lower port whose lug lies below
     * @param list<string> $notes what it is and how it stands, a line each
     */
    public function __construct(public string $upper, public string $lower, public bool $isClosed, public array $notes) {}
}
