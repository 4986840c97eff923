<?php

declare(strict_types=1);

namespace Escapement\Core\Device;

use Escapement\Core\Commissioning\MarkEvent;

/** What a line of the log is on the stopwatch. */
final readonly class DeviceMark
{
    public function __construct(public int $seq, public MarkEvent $event, public int $deviceMs) {}
}
