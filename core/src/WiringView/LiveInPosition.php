<?php

declare(strict_types=1);

namespace Escapement\Core\WiringView;

/** What is live in an enclosure in one position of the switches, as drawn. Rule: docs/rules.md#wiring-view. */
final readonly class LiveInPosition
{
    public \stdClass $positions;
    public \stdClass $live;

    /**
     * @param array<string, string>       $positions
     * @param array<string, list<string>> $live      sources by port, dead ports left out
     */
    public function __construct(array $positions, array $live)
    {
        $this->positions = (object) $positions;
        $this->live = (object) $live;
    }
}
