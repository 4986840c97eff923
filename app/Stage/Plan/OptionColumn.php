<?php

declare(strict_types=1);

namespace App\Stage\Plan;

use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Power\Sizing\SizingOption;

/** One way to carry the load, ready to stand beside the others. */
final readonly class OptionColumn
{
    /** @param list<string> $off loads that do not run, or not at once */
    public function __construct(
        public string $key,
        public string $title,
        public SizingOption $option,
        public array $off,
        public float $dipPct,
        private ?CalculationResult $fuel,
        public float $labourHours,
    ) {}

    public function fits(): string
    {
        return match (true) {
            ! $this->option->available => 'not surveyed for it',
            $this->option->fits => 'yes',
            default => 'no',
        };
    }

    public function legs(): string
    {
        return implode(' / ', array_map(static fn(float $amps): string => (string) round($amps), $this->option->legA));
    }

    /** Hours on the tank with this load the whole time; null where there is none. */
    public function runtimeHours(): ?float
    {
        $tank = $this->fuel->values['tank'] ?? null;

        return is_array($tank) && is_numeric($tank['runtime_h'] ?? null) ? (float) $tank['runtime_h'] : null;
    }

    public function gallonsAnHour(): ?float
    {
        $rate = $this->fuel->values['rate'] ?? null;

        return is_array($rate) && is_numeric($rate['gal_h'] ?? null) ? (float) $rate['gal_h'] : null;
    }
}
