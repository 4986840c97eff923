<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\Grounding;

/**
 * The size of a bonding jumper or a grounded conductor, and by which rule; null where no size is large enough. Rule:
 * docs/rules.md#grounding.
 */
final readonly class FaultPathResult
{
    /**
     * @param '12.5pct'|'parallel'|'table'|'ungrounded' $rule
     * @param ?bool                                     $ok   null without a size to judge
     */
    public function __construct(public float $kcmil, public ?string $size, public int $perRaceway, public string $rule, public ?bool $ok) {}
}
