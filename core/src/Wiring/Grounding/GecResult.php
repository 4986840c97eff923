<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\Grounding;

/** The size of a grounding electrode conductor. Rule: docs/rules.md#grounding. */
final readonly class GecResult
{
    /** @param ?bool $ok null without a size to judge */
    public function __construct(public float $totalKcmil, public string $tableSize, public string $size, public ?bool $ok) {}
}
