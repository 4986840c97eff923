<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Procedure;

/** Between what a measured value is expected, and beyond what the work stops. Limits are inclusive. */
final readonly class Band
{
    /**
     * @param ?float $stopOver  above it nobody goes on; null: out of band needs a note, and that is all
     * @param ?float $stopUnder below it nobody goes on
     */
    public function __construct(public string $quantity, public string $unit, public ?float $min, public ?float $max, public ?float $nominal = null, public ?float $stopOver = null, public ?float $stopUnder = null) {}

    /** @return 'in_band'|'out_of_band'|'stop' */
    public function judge(float $value): string
    {
        return match (true) {
            $this->stopOver !== null && $value > $this->stopOver, $this->stopUnder !== null && $value < $this->stopUnder => 'stop',
            $this->min !== null && $value < $this->min, $this->max !== null && $value > $this->max => 'out_of_band',
            default => 'in_band',
        };
    }

    public function words(): string
    {
        $number = static fn(float $value): string => rtrim(rtrim(number_format($value, 2, '.', ''), '0'), '.');

        return match (true) {
            $this->min === null && $this->max === null => "$this->quantity in $this->unit, as found",
            $this->min === null => "up to {$number((float) $this->max)} $this->unit",
            $this->max === null => "{$number($this->min)} $this->unit at least",
            default => "{$number($this->min)} to {$number($this->max)} $this->unit",
        };
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['quantity' => $this->quantity, 'unit' => $this->unit, 'min' => $this->min, 'max' => $this->max, 'nominal' => $this->nominal, 'stop_over' => $this->stopOver, 'stop_under' => $this->stopUnder];
    }
}
