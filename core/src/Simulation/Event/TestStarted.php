<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Event;

use Escapement\Core\Simulation\Controller\TestCause;
use Escapement\Core\Simulation\Controller\TestKind;
use Escapement\Core\Simulation\Event;
use Escapement\Core\Simulation\EventKind;
use Escapement\Core\Simulation\SourceNames;
use Escapement\Core\Simulation\SystemState;

final class TestStarted extends Event
{
    public function __construct(public int $tMs, private readonly bool $withLoad, private readonly TestCause $cause) {}

    public function kind(): EventKind
    {
        return EventKind::TestStarted;
    }

    public function keys(): array
    {
        return ['with_load' => $this->withLoad, 'cause' => $this->cause->value];
    }

    public function change(SystemState $state): void
    {
        $state->test = $this->withLoad ? TestKind::Load : TestKind::NoLoad;
    }

    public function headline(SourceNames $names): string
    {
        return ($this->cause === TestCause::Exercise ? 'Exercise' : 'Test') . ($this->withLoad ? ' with load' : ' without load')
            . ' begins';
    }

    public function because(SourceNames $names): string
    {
        return $this->cause === TestCause::Exercise ? 'the exercise clock came round.' : 'somebody pressed test.';
    }
}
