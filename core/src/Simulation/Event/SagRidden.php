<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Event;

use Escapement\Core\Plant\Side;
use Escapement\Core\Simulation\Event;
use Escapement\Core\Simulation\EventKind;
use Escapement\Core\Simulation\Figures;
use Escapement\Core\Simulation\SourceNames;
use Escapement\Core\Simulation\SystemState;

/** Beyond a limit for less than the drop-out delay. */
final class SagRidden extends Event
{
    public function __construct(
        public int $tMs,
        public readonly Side $source,
        private readonly int $lastedMs,
        private readonly int $dropoutDelayMs,
    ) {}

    public function kind(): EventKind
    {
        return EventKind::SagRidden;
    }

    public function keys(): array
    {
        return ['source' => $this->source->value, 'lasted_ms' => $this->lastedMs];
    }

    public function change(SystemState $state): void
    {
        $state->sagsRidden += $this->source === Side::Normal ? 1 : 0;
    }

    public function detail(): string
    {
        return $this->source->value;
    }

    public function headline(SourceNames $names): string
    {
        return sprintf('%s sagged for %s and was ridden through', ucfirst($names->name($this->source)), Figures::seconds($this->lastedMs));
    }

    public function because(SourceNames $names): string
    {
        return sprintf('it came back before the drop-out delay of %s was over.', Figures::seconds($this->dropoutDelayMs));
    }
}
