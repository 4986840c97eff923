<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Fuel;

use Escapement\Core\Finding\Findings;
use Escapement\Core\Input\Tolerance;

/** Meter and regulators that feed generator and house, BTU/h. Rule: docs/rules.md#fuel. */
final readonly class GasSupply
{
    /** @param bool $isShared one regulator feeds both */
    public function __construct(
        public float $houseBtuh = 0.0,
        public bool $isShared = false,
        public ?float $generatorRegulatorBtuh = null,
        public ?float $houseRegulatorBtuh = null,
        public ?float $meterBtuh = null,
    ) {}

    /** @return array{total_btuh: float} */
    public function answer(float $generatorBtuh, Findings $findings): array
    {
        $totalBtuh = $this->houseBtuh + $generatorBtuh;
        if ($this->isShared) {
            $findings->raise('shared-regulator');
        }
        $isRegulatorSmall = $this->isShared
            ? self::isSmall($this->generatorRegulatorBtuh, $totalBtuh)
            : self::isSmall($this->generatorRegulatorBtuh, $generatorBtuh) || self::isSmall($this->houseRegulatorBtuh, $this->houseBtuh);
        if ($isRegulatorSmall) {
            $findings->raise('regulator-small');
        }
        if (self::isSmall($this->meterBtuh, $totalBtuh)) {
            $findings->raise('meter-small', ['total' => number_format($totalBtuh)]);
        }

        return ['total_btuh' => $totalBtuh];
    }

    private static function isSmall(?float $has, float $needs): bool
    {
        return $has !== null && Tolerance::isBelow($has, $needs);
    }
}
