<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Terminations;

use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Terminations\ControlWire;
use Escapement\Core\Terminations\Feeder;
use Escapement\Core\Terminations\Termination;
use Escapement\Core\Terminations\TerminationPlan;
use Escapement\Core\Wiring\Colours\ColourSystem;

/** What lands where, in the order of landing, under every system of colours; and the control wires of every kind. */
final class GoldenLandings
{
    /** @return array<string, list<string>> */
    public static function golden(): array
    {
        $golden = [];
        foreach (ColourSystem::NAMES as $name) {
            $colours = new ColourSystem($name);
            $phases = array_values(array_diff($colours->functions(), ['N', 'G']));
            foreach ((new TerminationPlan($colours, self::feeders($phases)))->enclosures() as $enclosure => $landings) {
                $golden["$name, $enclosure"] = array_map(static fn(Termination $one): string => implode(' | ', array_map(
                    static fn(mixed $value): string => (string) json_encode($value, JSON_UNESCAPED_SLASHES),
                    $one->toArray(),
                )), $landings);
            }
        }
        foreach (InstallationKind::cases() as $kind) {
            $golden["control wires, $kind->value"] = array_map(
                static fn(ControlWire $wire): string => "$wire->role $wire->fedBy",
                [...ControlWire::usual($kind), ...ControlWire::jumpers($kind)],
            );
        }

        return $golden;
    }

    /**
     * @param list<string> $phases
     *
     * @return list<Feeder>
     */
    private static function feeders(array $phases): array
    {
        return [
            new Feeder('In', 'meter', 'ats', $phases, 'al', '4/0', null, 1, 'pvc40', '2', 3.0),
            new Feeder('From the set', 'gen', 'ats', $phases, 'cu', '4', '8', 1, 'lfmc', '1-1/4', 15.0),
            new Feeder('From the second', 'q2', 'ats', $phases, 'cu', '3', '8', 1, 'emt', '1-1/4', 15.0),
            new Feeder('Out', 'ats', 'panel', $phases, 'cu', '1/0', '4', 2, 'emt', '2', 2.0),
            new Feeder('On', 'panel', 'box', [$phases[0]], 'cu', '10', '10', 1, 'emt', '1', 2.0),
        ];
    }
}
