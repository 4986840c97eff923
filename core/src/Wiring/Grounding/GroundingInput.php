<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\Grounding;

/** What is to be sized: one of these at least. Rule: docs/rules.md#grounding. */
final readonly class GroundingInput
{
    public function __construct(
        public ?EgcInput $egc = null,
        public ?GecInput $gec = null,
        public ?FaultPathInput $bondingJumper = null,
        public ?FaultPathInput $groundedConductor = null,
    ) {}
}
