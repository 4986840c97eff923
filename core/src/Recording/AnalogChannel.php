<?php

declare(strict_types=1);

namespace Escapement\Core\Recording;

/** One analog channel of a COMTRADE configuration: value = a · raw + b, in its unit. */
final readonly class AnalogChannel
{
    public function __construct(
        public int $number,
        public string $name,
        public string $phase,
        public string $unit,
        public float $a,
        public float $b,
        public float $primary,
        public float $secondary,
        public bool $isSecondary,
    ) {}

    public function isVoltage(): bool
    {
        return in_array(strtolower($this->unit), ['v', 'kv', 'mv'], true);
    }

    public function isHertz(): bool
    {
        return strtolower($this->unit) === 'hz';
    }

    /** From the channel's unit, on its own side of the transformer, to volts on the primary side. */
    public function toVolts(): float
    {
        $ratio = $this->isSecondary && $this->secondary > 0.0 ? $this->primary / $this->secondary : 1.0;

        return $ratio * match (strtolower($this->unit)) {
            'kv' => 1000.0,
            'mv' => 0.001,
            default => 1.0,
        };
    }
}
