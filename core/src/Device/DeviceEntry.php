<?php

declare(strict_types=1);

namespace Escapement\Core\Device;

/** One line of a controller's own log. Rule: docs/rules.md#log-to-marks. */
final readonly class DeviceEntry
{
    /**
     * @param ?string $source normal or emergency, of what was lost or returned
     * @param ?string $from   the side that a switch opened from
     * @param ?string $to     the side that it closed to
     */
    public function __construct(
        public int $seq,
        public int $tMs,
        public string $kind,
        public ?string $source = null,
        public ?string $from = null,
        public ?string $to = null,
    ) {}
}
