<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\Split;

/** The switch that takes the whole service. */
final readonly class SplitSwitch
{
    /** @param ?int $wiresPerLug null: its label does not say */
    public function __construct(public float $ratingA, public bool $isServiceRated, public ?int $wiresPerLug) {}
}
