<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Procedure;

use Escapement\Core\SettingsCheck\Window;

/** One step of a procedure, ready to be worked through. */
final readonly class Step
{
    private const EVERYWHERE = 'v1';

    /**
     * @param string       $id          stable: the same thing has the same id after the settings have changed
     * @param string       $expectation in words
     * @param string       $expected    the same as data, what a recorded answer was given to: when it changes, the step is open again
     * @param list<string> $dependsOn   ids of steps that come first
     * @param array<string, string> $choices words by id, the wanted one first
     * @param ?string      $asks        what has to be written down with it
     * @param ?string      $tick        what is ticked beside a measured value
     * @param list<string> $noted       choices that close it with a note
     * @param list<string> $stoppedBy   findings of the plan against which it cannot be called done
     */
    public function __construct(
        public string $id,
        public StepKind $kind,
        public string $title,
        public string $why,
        public string $expectation,
        public string $expected,
        public string $ifNot,
        public ?string $hazard,
        public bool $isHold,
        public bool $mayBeSkipped,
        public array $dependsOn,
        public ?Band $band = null,
        public ?Window $window = null,
        public string $instrument = '',
        public array $choices = [],
        public ?string $asks = null,
        public ?string $tick = null,
        public array $stoppedBy = [],
        public array $noted = [],
    ) {}

    /** Its expectation names nothing of the site: only its row can change it. */
    public function isTheSameEverywhere(): bool
    {
        return $this->expected === self::EVERYWHERE;
    }

    /** @param list<string> $ids */
    public function dependingOn(array $ids): self
    {
        return new self(
            $this->id,
            $this->kind,
            $this->title,
            $this->why,
            $this->expectation,
            $this->expected,
            $this->ifNot,
            $this->hazard,
            $this->isHold,
            $this->mayBeSkipped,
            $ids,
            $this->band,
            $this->window,
            $this->instrument,
            $this->choices,
            $this->asks,
            $this->tick,
            $this->stoppedBy,
            $this->noted,
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'id' => $this->id,
            'kind' => $this->kind->value,
            'title' => $this->title,
            'hazard' => $this->hazard,
            'why' => $this->why,
            'expect' => $this->expectation,
            'expected' => $this->expected,
            'if_not' => $this->ifNot,
            'hold' => $this->isHold, 'may_skip' => $this->mayBeSkipped, 'depends_on' => $this->dependsOn,
        ] + ($this->band === null ? [] : ['band' => $this->band->toArray(), 'instrument' => $this->instrument])
          + ($this->window === null ? [] : ['window' => $this->window->toArray()])
          + ($this->choices === [] ? [] : ['choices' => array_map(
              static fn(string $id, string $words): array => ['id' => $id, 'words' => $words],
              array_keys($this->choices),
              $this->choices,
          )])
          + ($this->noted === [] ? [] : ['noted' => $this->noted])
          + ($this->asks === null ? [] : ['asks' => $this->asks])
          + ($this->tick === null ? [] : ['tick' => $this->tick])
          + ($this->stoppedBy === [] ? [] : ['stopped_by' => $this->stoppedBy]);
    }
}
