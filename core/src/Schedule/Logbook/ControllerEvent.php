<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule\Logbook;

/** One line of a controller's event log. */
final readonly class ControllerEvent
{
    /** @param int $at seconds since 1970 */
    public function __construct(public int $at, public string $words, public EventMeaning $meaning) {}
}
