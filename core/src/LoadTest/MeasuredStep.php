<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

/** A load step out of a recording; without a sample in its window nothing of it is measured. */
final readonly class MeasuredStep
{
    /**
     * @param null|'decrease'|'increase'      $kind
     * @param null|array<string, ?float>      $vRecoveriesS  by class; null: it never came back
     * @param null|array<string, ?float>      $hzRecoveriesS
     */
    public function __construct(
        public float $tMs,
        public ?string $kind,
        public ?float $fromKw,
        public ?float $toKw,
        public ?float $vBeforeV,
        public ?float $vExtremeV,
        public ?float $vExtremeS,
        public ?float $vDevPct,
        public ?float $vOvershootPct,
        public ?float $vSettleV,
        public ?array $vRecoveriesS,
        public ?float $hzBeforeHz,
        public ?float $hzExtremeHz,
        public ?float $hzExtremeS,
        public ?float $hzDevPct,
        public ?float $hzOvershootPct,
        public ?float $hzSettleHz,
        public ?array $hzRecoveriesS,
        public string $classMet,
    ) {}

    public function isMeasured(): bool
    {
        return $this->vRecoveriesS !== null;
    }
}
