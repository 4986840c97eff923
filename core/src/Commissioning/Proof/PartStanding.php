<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Proof;

/** One part of the standing of a switch: its state, and the run that gave it. */
final readonly class PartStanding
{
    /**
     * @param list<string> $because what failed, what changed, or why it is not asked; in sentences
     * @param list<string> $again   why what is proved is to be looked at again: a newer edition of the procedure proves more
     */
    public function __construct(
        public ProofPart $part,
        public PartState $state,
        public ?PartRecord $record = null,
        public array $because = [],
        public array $again = [],
    ) {}

    public function isNoted(): bool
    {
        return $this->state === PartState::Proved && $this->record?->isNoted === true;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'part' => $this->part->value, 'state' => $this->state->value, 'noted' => $this->isNoted(), 'since' => $this->record?->at,
            'run' => $this->record?->run, 'by' => $this->record?->by, 'because' => $this->because,
        ] + ($this->again === [] ? [] : ['again' => $this->again]);
    }

    /** How it stands, behind the name of the part; nothing where it is proved, which its mark says. */
    public function words(): string
    {
        return $this->state === PartState::Proved ? '' : ": {$this->state->label()}";
    }
}
