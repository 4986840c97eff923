<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\FaultCurrent;

/** A place where a fault is looked at, and what stands there to break it. Rule: docs/rules.md#fault-current. */
final readonly class FaultPoint
{
    /**
     * @param string    $from           `source` or an earlier point
     * @param ?FaultRun $run            null: at the same place
     * @param ?float    $aicKa          interrupting or withstand rating
     * @param ?float    $seriesKa       tested and marked series combination with the device ahead
     * @param ?float    $instantaneousA trip setting
     */
    public function __construct(
        public string $id,
        public string $from = 'source',
        public ?FaultRun $run = null,
        public ?float $aicKa = null,
        public ?float $seriesKa = null,
        public ?float $ratingA = null,
        public ?float $instantaneousA = null,
    ) {}
}
