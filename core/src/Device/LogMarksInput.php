<?php

declare(strict_types=1);

namespace Escapement\Core\Device;

use Escapement\Core\Commissioning\MarkEvent;
use Escapement\Core\Plant\PlantKind;

/** A device's log beside a stopwatch. Rule: docs/rules.md#log-to-marks. */
final readonly class LogMarksInput
{
    /**
     * @param list<DeviceEntry>             $log       by number, each number once
     * @param bool                          $hasTwice  a number stood twice
     * @param int                           $dropoutMs the log knows when the utility was declared lost, the stopwatch the lever
     * @param list<array{MarkEvent, int}>   $stopwatch that were not undone, by time
     */
    public function __construct(
        public array $log,
        public bool $hasTwice,
        public int $dropoutMs,
        public PlantKind $kind,
        public array $stopwatch,
        public int $matchMs,
    ) {}
}
