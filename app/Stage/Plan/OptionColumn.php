<?php

declare(strict_types=1);

namespace App\Stage\Plan;

use Escapement\Core\Calc\Answer;

/** One way to carry the load, ready to stand beside the others. */
final readonly class OptionColumn
{
    /**
     * @param array<string, mixed> $option what `sizing` says of it
     * @param list<string>         $off    loads that do not run, or not at once
     */
    public function __construct(public string $key, public string $title, private array $option, public array $off, public float $dipPct, private ?Answer $fuel, public float $labourHours) {}

    public function fits(): string
    {
        return match (true) {
            $this->option['available'] !== true => 'not surveyed for it',
            $this->option['fits'] === true => 'yes',
            default => 'no',
        };
    }

    public function figure(string $key): float
    {
        return is_numeric($this->option[$key] ?? null) ? (float) $this->option[$key] : 0.0;
    }

    public function legs(): string
    {
        return implode(' / ', array_map(static fn(mixed $amps): string => is_numeric($amps) ? (string) round((float) $amps) : '–', (array) $this->option['leg_a']));
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
