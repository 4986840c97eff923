<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\Grounding;

/** The size of an equipment grounding conductor, one in each raceway; null where no size is large enough. Rule: docs/rules.md#grounding. */
final readonly class EgcResult
{
    /**
     * @param float $ratio how much larger the ungrounded conductors are than they need to be, never below 1
     * @param ?bool $ok    null without a size to judge
     */
    public function __construct(
        public string $baseSize,
        public float $ratio,
        public float $requiredKcmil,
        public ?string $size,
        public bool $capped,
        public int $perRaceway,
        public ?bool $ok,
    ) {}
}
