<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\Torque;

use Escapement\Core\Input\RelativeTolerance;
use Escapement\Core\Wiring\Dates;

/** A torque wrench or driver. Rule: docs/rules.md#torque. */
final readonly class TorqueTool
{
    public string $due;

    /**
     * @param string $calibratedOn Y-m-d
     * @param ?float $minInLb      null: its range is not known
     */
    public function __construct(
        public string $calibratedOn,
        int $intervalDays = 365,
        public ?float $minInLb = null,
        public ?float $maxInLb = null,
    ) {
        $this->due = Dates::plusDays($calibratedOn, $intervalDays);
    }

    public function reaches(float $targetInLb): bool
    {
        return ! ($this->minInLb !== null && RelativeTolerance::isOver($this->minInLb, $targetInLb)
            || $this->maxInLb !== null && RelativeTolerance::isOver($targetInLb, $this->maxInLb));
    }
}
