<?php

declare(strict_types=1);

namespace App\Drawing\Ladder;

use App\Drawing\Ink;
use Escapement\Core\RelayLogic\Story\CircuitMoment;

/** How a circuit is looked at: in whose symbols, at which moment, with what pointed out. */
final readonly class LadderLook
{
    /**
     * @param bool                              $isIec    symbols of IEC 60617; else those of NEMA ICS 19
     * @param ?CircuitMoment                    $moment   null: everything at rest, and no words of state
     * @param ?string                           $selected a contact, a rung or a start
     * @param array<string, string>             $marks    severity of what is found, by rung or start
     * @param null|\Closure(string): string $url      where pointing at a contact, rung or start leads
     */
    public function __construct(
        public Ink $ink,
        public bool $isIec,
        public ?CircuitMoment $moment = null,
        public ?string $selected = null,
        public array $marks = [],
        public ?\Closure $url = null,
    ) {}
}
