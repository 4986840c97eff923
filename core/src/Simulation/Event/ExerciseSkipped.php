<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Event;

use Escapement\Core\Simulation\Event;
use Escapement\Core\Simulation\EventKind;
use Escapement\Core\Simulation\SourceNames;

final class ExerciseSkipped extends Event
{
    public function __construct(public int $tMs, private readonly string $reason) {}

    public function kind(): EventKind
    {
        return EventKind::ExerciseSkipped;
    }

    public function keys(): array
    {
        return ['reason' => $this->reason];
    }

    public function headline(SourceNames $names): string
    {
        return 'Exercise skipped';
    }

    public function because(SourceNames $names): string
    {
        return "$this->reason.";
    }
}
