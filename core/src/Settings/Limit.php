<?php

declare(strict_types=1);

namespace Escapement\Core\Settings;

/** A pair of thresholds in percent: beyond drop-out the quantity counts as bad, back at pick-up as good again. */
final readonly class Limit
{
    public function __construct(public int|float $dropoutPct, public int|float $pickupPct) {}

    /** @return array{dropout_pct: int|float, pickup_pct: int|float} */
    public function toArray(): array
    {
        return ['dropout_pct' => $this->dropoutPct, 'pickup_pct' => $this->pickupPct];
    }
}
