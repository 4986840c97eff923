<?php

declare(strict_types=1);

namespace Escapement\Core\WiringView;

/** What may still be live in an enclosure with one device open and all others closed. Rule: docs/rules.md#wiring-view. */
final readonly class LiveWithOpen
{
    public \stdClass $live;

    /** @param array<string, list<string>> $live sources by port, dead ports left out */
    public function __construct(public string $open, array $live)
    {
        $this->live = (object) $live;
    }
}
