<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Terminals;

use Escapement\Core\RelayLogic\Contact;
use Escapement\Core\RelayLogic\RelayCircuit;
use Escapement\Core\RelayLogic\RelayType;

/** Which two terminals each contact of a circuit has: as its label says, or the next ones that are free. */
final class ContactTerminals
{
    /** @var array<string, array{string, string}> by contact */
    private array $terminals = [];

    /** @var array<string, list<Contact>> by device, in leaf order */
    private array $leaves = [];

    /** @var array<string, true> contacts whose label counts */
    private array $labelled = [];

    public function __construct(private readonly RelayCircuit $circuit)
    {
        foreach ([...$circuit->rungs, ...$circuit->ofType(RelayType::Start)] as $owner) {
            foreach ($owner->when?->contacts() ?? [] as $contact) {
                $this->leaves[$contact->device][] = $contact;
            }
        }
        foreach ($this->leaves as $device => $leaves) {
            $this->number($this->circuit->deviceById[$device]->type, $leaves);
        }
    }

    /** @return list<Contact> in leaf order */
    public function leavesOf(string $device): array
    {
        return $this->leaves[$device] ?? [];
    }

    /** @return array{string, string} */
    public function of(Contact $contact): array
    {
        return $this->terminals[$contact->id];
    }

    public function isLabelled(Contact $contact): bool
    {
        return isset($this->labelled[$contact->id]);
    }

    /** @return array{int, int} last digits of its two terminals */
    public static function digits(RelayType $type, string $kind): array
    {
        $isOpen = $kind !== 'nc';

        return match ($type) {
            RelayType::Relay => [1, $isOpen ? 4 : 2],
            RelayType::Timer, RelayType::PhaseRelay => [5, $isOpen ? 8 : 6],
            default => $isOpen ? [3, 4] : [1, 2],
        };
    }

    /** Whether the last digits say what kind of contact it is. */
    public function hasRightForm(Contact $contact): bool
    {
        $type = $this->circuit->deviceById[$contact->device]->type;
        $digits = array_map(static fn(string $number): int => (int) $number % 10, $this->of($contact));
        $isRelayAsContactor = $type === RelayType::Relay && $contact->kind !== 'nc' && $digits === [3, 4];

        return $digits === self::digits($type, $contact->kind) || $isRelayAsContactor;
    }

    /** @param list<Contact> $leaves */
    private function number(RelayType $type, array $leaves): void
    {
        $taken = [];
        foreach ($leaves as $leaf) {
            if (preg_match('/^(\d{1,3})-(\d{1,3})$/D', (string) $leaf->label, $found) === 1) {
                $this->terminals[$leaf->id] = [$found[1], $found[2]];
                $this->labelled[$leaf->id] = true;
                $taken[intdiv((int) $found[1], 10)] = true;
            }
        }
        $group = 1;
        foreach ($leaves as $leaf) {
            if (isset($this->labelled[$leaf->id])) {
                continue;
            }
            while (isset($taken[$group])) {
                $group++;
            }
            $taken[$group] = true;
            [$first, $second] = self::digits($type, $leaf->kind);
            $this->terminals[$leaf->id] = ["$group$first", "$group$second"];
        }
    }
}
