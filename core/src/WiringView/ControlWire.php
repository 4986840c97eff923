<?php

declare(strict_types=1);

namespace Escapement\Core\WiringView;

/** One wire on a control terminal. Rule: docs/rules.md#wiring-view. */
final readonly class ControlWire
{
    public function __construct(
        public string $id,
        public string $terminal,
        public string $to,
        public ?string $size = null,
        public ?bool $isStranded = null,
        public ?bool $hasFerrule = null,
    ) {}
}
