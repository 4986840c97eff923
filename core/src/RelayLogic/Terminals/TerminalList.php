<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Terminals;

use Escapement\Core\Finding\Working;
use Escapement\Core\RelayLogic\Contact;
use Escapement\Core\RelayLogic\RelayDevice;
use Escapement\Core\RelayLogic\RelayType;

/** Wire numbers, terminals, parts and the continuity sheet of a control circuit. Rule: docs/rules.md#terminal-list. */
final class TerminalList
{
    public function of(TerminalInput $input): TerminalResult
    {
        $terminals = new ContactTerminals($input->circuit);
        $nets = new CircuitNets($input, $terminals);
        $sizes = new WireSizes($input);
        $wires = new WireList($input, $nets, $sizes);
        $working = new Working();
        $findings = (new TerminalFindings($input, $terminals, $nets, $wires, $sizes))->all($working);

        return new TerminalResult(
            $wires->wires,
            $wires->strip,
            array_map(
                fn(RelayDevice $device): array => $this->crossReference($device, $input, $terminals, $nets),
                $input->circuit->devices,
            ),
            (new PartsList($input, $nets, $wires))->parts(),
            (new ContinuitySheet($input, $nets))->states(),
            $sizes->control,
            $sizes->field,
            $sizes->power,
            $findings,
            $working->lines,
        );
    }

    /** @return array<string, mixed> */
    private function crossReference(RelayDevice $device, TerminalInput $input, ContactTerminals $terminals, CircuitNets $nets): array
    {
        $coils = [];
        foreach ($input->circuit->rungs as $rung) {
            [$driven, $command] = explode('.', $rung->coil) + [1 => null];
            if ($driven === $device->id) {
                $coils[] = [
                    'rung' => $rung->id,
                    'terminals' => match (true) {
                        $command !== null => "$command-N",
                        $device->type === RelayType::Lamp => '1-2',
                        default => 'A1-A2',
                    },
                ];
            }
        }

        return [
            'device' => $device->id,
            'coil' => $coils,
            'contacts' => array_map(static fn(Contact $contact): array => [
                'id' => $contact->id,
                'form' => $contact->kind,
                'terminals' => implode('-', $terminals->of($contact)),
                'rung' => substr($contact->id, 0, (int) strrpos($contact->id, ':')),
                'a' => $nets->nets->name($nets->contactEnds[$contact->id][0]),
                'b' => $nets->nets->name($nets->contactEnds[$contact->id][1]),
            ], $terminals->leavesOf($device->id)),
        ];
    }
}
