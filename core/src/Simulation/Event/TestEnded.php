<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Event;

use Escapement\Core\Simulation\Controller\TestEnd;
use Escapement\Core\Simulation\Controller\TestKind;
use Escapement\Core\Simulation\Event;
use Escapement\Core\Simulation\EventKind;
use Escapement\Core\Simulation\SourceNames;
use Escapement\Core\Simulation\SystemState;

final class TestEnded extends Event
{
    public function __construct(public int $tMs, private readonly TestEnd $reason) {}

    public function kind(): EventKind
    {
        return EventKind::TestEnded;
    }

    public function keys(): array
    {
        return ['reason' => $this->reason->value];
    }

    public function change(SystemState $state): void
    {
        $state->test = TestKind::None;
    }

    public function headline(SourceNames $names): string
    {
        return 'Test ends';
    }

    public function because(SourceNames $names): string
    {
        return match ($this->reason) {
            TestEnd::Stopped => 'somebody ended it.',
            TestEnd::Finished => 'its time is over.',
            TestEnd::Outage => 'a real outage goes before a test.',
            TestEnd::EmergencyLost => "the $names->emergency was lost under it.",
            TestEnd::Selector => 'the selector was turned off.',
        };
    }
}
