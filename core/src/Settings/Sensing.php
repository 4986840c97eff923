<?php

declare(strict_types=1);

namespace Escapement\Core\Settings;

/** What counts as a failed source. Percentages of the nominal value; unbalance in percent of the mean of the phases. */
final readonly class Sensing
{
    public function __construct(
        public Limit $underVoltage,
        public ?Limit $overVoltage = null,
        public ?Limit $underFrequency = null,
        public ?Limit $overFrequency = null,
        public ?Limit $unbalance = null,
        public bool $rotationCheck = false,
        public int $dropoutDelayMs = 0,
    ) {}

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'under_voltage' => $this->underVoltage->toArray(),
            'over_voltage' => $this->overVoltage?->toArray(),
            'under_frequency' => $this->underFrequency?->toArray(),
            'over_frequency' => $this->overFrequency?->toArray(),
            'unbalance' => $this->unbalance?->toArray(),
            'rotation_check' => $this->rotationCheck,
            'dropout_delay_ms' => $this->dropoutDelayMs,
        ];
    }
}
