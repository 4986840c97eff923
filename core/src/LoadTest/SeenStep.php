<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

use Escapement\Core\Input\Tolerance;

/** A load step as it was seen: the extremes of volts and hertz, and how long they took to come back. */
final readonly class SeenStep
{
    public function __construct(
        public float $tS,
        public float $fromKw,
        public float $toKw,
        public float $vExtremeV,
        public Recovery $vRecovery,
        public float $hzBeforeHz,
        public float $hzExtremeHz,
        public Recovery $hzRecovery,
    ) {}

    public function isIncrease(): bool
    {
        return $this->toKw >= $this->fromKw;
    }

    public function vDevPct(float $nominalV): float
    {
        return 100 * ($this->vExtremeV - $nominalV) / $nominalV;
    }

    public function hzDevPct(float $nominalHz): float
    {
        return 100 * ($this->hzExtremeHz - $this->hzBeforeHz) / $nominalHz;
    }

    /** The best class whose limits all hold; null for none. A deviation in the other direction is not judged. */
    public function classMet(float $nominalV, float $nominalHz, bool $isDiesel): ?GovernorClass
    {
        $v = $this->vDevPct($nominalV);
        $hz = $this->hzDevPct($nominalHz);
        foreach (GovernorClass::bestFirst() as $class) {
            $vLimit = $class->vLimitPct($this->isIncrease());
            $hzLimit = $class->hzLimitPct($this->isIncrease(), $isDiesel);
            $isInside = $this->isIncrease()
                ? ! Tolerance::isBelow($v, $vLimit) && ! Tolerance::isBelow($hz, $hzLimit)
                : ! Tolerance::exceeds($v, $vLimit) && ! Tolerance::exceeds($hz, $hzLimit);
            if ($isInside && $this->vRecovery->meets($class, $class->vSeconds()) && $this->hzRecovery->meets($class, $class->hzSeconds())) {
                return $class;
            }
        }

        return null;
    }
}
