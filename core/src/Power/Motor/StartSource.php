<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Motor;

/** What a motor starts from: a generator that dips, or an inverter that gives its surge or nothing. */
final readonly class StartSource
{
    /** Per unit, where the maker's reactance is not known. */
    public const GENERIC_REACTANCE = 0.25;

    private function __construct(
        public bool $isGenerator,
        public float $ratedKva,
        public ?float $reactance,
        public ?float $makerKva,
        public ?float $makerDipPct,
        public ?float $usableKw,
        public float $runningKw,
        public float $surgeKva,
    ) {}

    /**
     * @param ?float $reactance   per unit; null: generic
     * @param ?float $makerKva    a point of the maker's curve: this start …
     * @param ?float $makerDipPct … dips so far
     * @param float  $runningKw   that run already
     */
    public static function generator(
        float $ratedKva,
        ?float $reactance = null,
        ?float $makerKva = null,
        ?float $makerDipPct = null,
        ?float $usableKw = null,
        float $runningKw = 0.0,
    ): self {
        return new self(true, $ratedKva, $reactance, $makerKva, $makerDipPct, $usableKw, $runningKw, 0.0);
    }

    public static function inverter(float $surgeKva): self
    {
        return new self(false, 0.0, null, null, null, null, 0.0, $surgeKva);
    }

    public function isGeneric(): bool
    {
        return $this->isGenerator && $this->reactance === null && $this->makerKva === null;
    }

    /** What it sets against a start: dip = 100·s ÷ (s + k). Null of an inverter. */
    public function stiffnessKva(): ?float
    {
        if (! $this->isGenerator) {
            return null;
        }

        return $this->makerKva !== null && $this->makerDipPct !== null
            ? $this->makerKva * (100 - $this->makerDipPct) / $this->makerDipPct
            : $this->ratedKva / ($this->reactance ?? self::GENERIC_REACTANCE);
    }

    /** Null of an inverter. */
    public function dipPct(float $startKva): ?float
    {
        $kKva = $this->stiffnessKva();

        return $kKva === null ? null : 100 * $startKva / ($startKva + $kKva);
    }
}
