<?php

declare(strict_types=1);

namespace Escapement\Core\WiringView;

/** One turn of landing. Rule: docs/rules.md#wiring-view. */
final readonly class LandingStep
{
    /** @param 'conductor'|'control_wire' $kind */
    public function __construct(public int $n, public string $kind, public string $id, public string $terminal) {}
}
