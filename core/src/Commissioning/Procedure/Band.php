<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Procedure;

/** Between what a measured value is expected, and beyond what the work stops. Limits are inclusive. */
final readonly class Band
{
    /**
     * @param ?float $stopOver  above it nobody goes on; null: out of band needs a note, and that is all
     * @param ?float $stopUnder below it nobody goes on
     * @param float  $couldMin  and couldMax: beyond them no instrument on this point can read; asked back, never kept
     */
    public function __construct(
        public string $quantity,
        public string $unit,
        public ?float $min,
        public ?float $max,
        public ?float $nominal = null,
        public ?float $stopOver = null,
        public ?float $stopUnder = null,
        public ?float $couldMin = null,
        public ?float $couldMax = null,
    ) {}

    /** Whether an instrument on this point can show the value at all; else it is a slip of the pen, a wrong unit or a wrong range. */
    public function couldBe(float $value): bool
    {
        return ($this->couldMin === null || $value >= $this->couldMin) && ($this->couldMax === null || $value <= $this->couldMax);
    }

    public function couldWords(): string
    {
        $most = $this->couldMax === null ? '' : " to {$this->number($this->couldMax)}";

        return ($most === '' ? 'from ' : '') . $this->number($this->couldMin ?? 0.0) . "$most $this->unit";
    }

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
        return match (true) {
            $this->min === null && $this->max === null => "$this->quantity in $this->unit, as found",
            $this->min === null => "up to {$this->number((float) $this->max)} $this->unit",
            $this->max === null => "{$this->number($this->min)} $this->unit at least",
            default => "{$this->number($this->min)} to {$this->number($this->max)} $this->unit",
        };
    }

    /** The band as data: what it asks does not depend on how it is worded. */
    public function asked(): string
    {
        $number = fn(?float $value): string => $value === null ? '' : $this->number($value);

        return "{$number($this->min)}:{$number($this->max)} $this->unit, stop {$number($this->stopUnder)}:{$number($this->stopOver)}";
    }

    private function number(float $value): string
    {
        return rtrim(rtrim(number_format($value, 2, '.', ''), '0'), '.');
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'quantity' => $this->quantity,
            'unit' => $this->unit,
            'min' => $this->min,
            'max' => $this->max,
            'nominal' => $this->nominal,
            'stop_over' => $this->stopOver,
            'stop_under' => $this->stopUnder,
        ];
    }
}
