<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation;

/** Volts and hertz of a source at one moment, kept in the signal's own units: most events are counted and never read. */
final readonly class Reading
{
    /**
     * @param list<int|float> $volts one a phase
     * @param int             $voltsLength units of $volts in one unit of signal
     */
    public function __construct(private array $volts, private int $voltsLength, private int|float $hertz, private int $hertzLength) {}

    public function voltsOf(int $phase): float
    {
        return ($this->volts[$phase] ?? 0) / $this->voltsLength / Units::SIGNAL;
    }

    public function hertz(): float
    {
        return $this->hertz / $this->hertzLength / Units::SIGNAL;
    }

    /** All phases, or one where they are alike. */
    public function volts(): string
    {
        $volts = [];
        foreach ($this->volts as $phase => $value) {
            if ($phase === 0 || $value !== $this->volts[$phase - 1]) {
                $volts[] = Figures::figure($this->voltsOf($phase));
            }
        }

        return implode(' / ', array_unique($volts)) . ' V';
    }
}
