<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Terminals;

use Escapement\Core\RelayLogic\Contact;
use Escapement\Core\RelayLogic\RelayType;

/** What a continuity tester finds closed in a dead panel, device by device worked alone. Rule: docs/rules.md#terminal-list. */
final readonly class ContinuitySheet
{
    public function __construct(private TerminalInput $input, private CircuitNets $nets) {}

    /** @return list<array{state: string, by_hand: bool, closed: list<string>}> */
    public function states(): array
    {
        $states = [['state' => 'dead', 'by_hand' => true, 'closed' => $this->closed(null, '')]];
        foreach ($this->input->circuit->devices as $device) {
            $positions = match ($device->type) {
                RelayType::Contactor, RelayType::Relay, RelayType::Timer, RelayType::PhaseRelay, RelayType::Handle => ['in'],
                RelayType::PushButton => ['pressed'],
                RelayType::Selector => array_slice($device->positions, 1),
                RelayType::MotorChangeover => ['0', 'II'],
                default => [],
            };
            foreach ($positions as $position) {
                $states[] = [
                    'state' => "$device->id:$position",
                    'by_hand' => ! in_array($device->type, [RelayType::Timer, RelayType::PhaseRelay], true),
                    'closed' => $this->closed($device->id, $position),
                ];
            }
        }

        return $states;
    }

    /** @return list<string> rungs and starts, then contacts, that read closed */
    private function closed(?string $operated, string $position): array
    {
        $contacts = [];
        foreach ([...$this->input->circuit->rungs, ...$this->input->circuit->ofType(RelayType::Start)] as $owner) {
            array_push($contacts, ...$owner->when?->contacts() ?? []);
        }
        $joined = clone $this->nets->nets;
        foreach ($contacts as $contact) {
            if ($this->isClosed($contact, $operated, $position)) {
                $joined->join(...$this->nets->contactEnds[$contact->id]);
            }
        }
        $all = $this->nets->ends;
        foreach ($contacts as $contact) {
            $all[$contact->id] = $this->nets->contactEnds[$contact->id];
        }
        $closed = array_filter($all, static fn(array $ends): bool => $joined->root($ends[0]) === $joined->root($ends[1]));

        return array_map(strval(...), array_keys($closed));
    }

    private function isClosed(Contact $contact, ?string $operated, string $position): bool
    {
        $device = $this->input->circuit->deviceById[$contact->device];
        $isOperated = $contact->device === $operated;
        if ($contact->kind !== 'of') {
            return $isOperated === ($contact->kind === 'no');
        }
        $rest = $device->type === RelayType::Selector ? $device->positions[0] : 'I';

        return in_array($isOperated ? $position : $rest, $contact->positions, true);
    }
}
