<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Motor;

/** A motor as its plate has it, and how it is started. */
final readonly class Motor
{
    /**
     * @param 1|3                           $phases
     * @param float                         $volts line to line with three phases
     * @param ?string                       $code  letter of the plate, a key of LockedRotor::CODES
     * @param float                         $lockedRotorMultiple of the full-load amps, where only those are known
     * @param float                         $softFactor share of the locked-rotor kVA through a soft starter
     * @param float                         $startPf power factor at standstill
     * @param ?float                        $loadTorquePct that the load needs to begin to turn
     */
    public function __construct(
        public int $phases,
        public float $volts,
        public ?float $lockedRotorA = null,
        public ?float $hp = null,
        public ?string $code = null,
        public ?float $fullLoadA = null,
        public float $lockedRotorMultiple = 6.0,
        public StartMethod $method = StartMethod::DirectOnLine,
        public float $softFactor = 0.4,
        public float $startPf = 0.4,
        public ?float $loadTorquePct = null,
    ) {}

    public function lineFactor(): float
    {
        return $this->phases === 3 ? sqrt(3) : 1.0;
    }

    public function kvaPerAmp(): float
    {
        return $this->lineFactor() * $this->volts / 1000;
    }

    /** Null where the full-load amps are not known. */
    public function runKva(): ?float
    {
        return $this->fullLoadA === null ? null : $this->kvaPerAmp() * $this->fullLoadA;
    }

    /** @return list<StartMethod> that can be judged: a drive only by the full-load amps */
    public function methods(): array
    {
        return array_values(array_filter(
            StartMethod::of($this->phases),
            fn(StartMethod $method): bool => $method !== StartMethod::Drive || $this->fullLoadA !== null,
        ));
    }
}
