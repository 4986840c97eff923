<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

/** A line of a recorder's table, in the units of its columns. */
final readonly class TableReading
{
    /**
     * @param float       $atS     seconds since 1970, the recorder's clock put right
     * @param list<float> $volts   per phase
     * @param list<float> $amps    per phase
     */
    public function __construct(
        public int $line,
        public float $atS,
        public array $volts,
        public array $amps,
        public float $hertz,
        public ?float $kw = null,
        public ?float $oil = null,
        public ?float $coolant = null,
        public ?float $exhaust = null,
        public ?float $battery = null,
    ) {}
}
