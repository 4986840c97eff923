<?php

declare(strict_types=1);

namespace Escapement\Core\Handover;

use Escapement\Core\Commissioning\Procedure\IsolationPoints;
use Escapement\Core\Commissioning\Procedure\Isolator;
use Escapement\Core\Plant\PlantKind;
use Escapement\Core\RelayLogic\AsBuilt\BuiltPanel;
use Escapement\Core\RelayLogic\AsBuilt\LampWords;
use Escapement\Core\Topology\Element;
use Escapement\Core\Topology\OneLine;
use Escapement\Core\Topology\OutageTestPointResult;
use Escapement\Core\Topology\TopologyCheck;

/**
 * What stands on an enclosure for the next person to open it: what feeds it, what stays live, which disconnect proves the switch.
 * Rule: docs/rules.md#handover; the safety that is always in sight. The maker's and the code's own labels stay beside it.
 */
final readonly class EnclosureLabel
{
    private const ALWAYS = 'Work only when it is locked, tagged and proved dead.';

    /** @param list<string> $lines */
    private function __construct(public string $title, public string $hazard, public array $lines) {}

    /**
     * @param ?OneLine              $drawing null where a kind has none: then its switch and its engine are labelled
     * @param array<string, string> $names   of elements
     * @param ?list<string>         $bonded  elements in which neutral and ground are joined once the work is done; null: not known
     *
     * @return list<self>
     */
    public static function of(
        string $switchName,
        PlantKind $kind,
        ?OneLine $drawing,
        array $names,
        ?array $bonded,
        OutageTestPointResult $test,
    ): array {
        $surroundings = $drawing === null ? IsolationPoints::unknown() : IsolationPoints::of($drawing, $names);
        [$first, $second] = match ($kind) {
            PlantKind::Standby => ['the utility', 'a generator that starts by itself'],
            PlantKind::TwoSource => ['the first supply', 'the second supply'],
            PlantKind::Mobile => ['the shore cord', 'the generator or the inverter'],
        };
        $labels = [new self("Transfer switch $switchName", "Two sources: $first and $second. " . self::ALWAYS, [
            ...array_map(
                static fn(Isolator $one): string => $one->liveFrom === []
                    ? "$one->name opens it."
                    : "With $one->name open, its line side stays live from " . implode(' and ', $one->liveFrom) . '.',
                $surroundings->isolators,
            ),
            match (true) {
                $test->name === null => 'Where an outage is simulated is not known: ask before the test.',
                $test->device === 'plug' => 'The outage test is made by pulling the ' . lcfirst($test->name) . '.',
                default => "The outage test is made by opening $test->name.",
            },
        ])];
        if ($kind === PlantKind::Standby) {
            $labels[] = new self('Generator', 'Starts by itself at any time. Carbon monoxide: outdoors only. Hot exhaust, moving parts.', [
                'Selector left off, or its breaker left open: the load stays dark in the next outage.',
                'Before any work: selector off, start battery disconnected as its maker says.',
            ]);
        } elseif ($kind === PlantKind::Mobile) {
            $labels[] = new self('Generator', 'It runs when somebody starts it. Carbon monoxide: outdoors only, never beside an '
                . 'open window. Hot exhaust, moving parts.', [
                    'Start and stop by its own buttons. Its breaker left open: the load stays on the shore cord.',
                    'Before any work: stopped, and start battery disconnected as its maker says.',
                ]);
        }
        if ($drawing === null) {
            return $labels;
        }
        foreach ($drawing->ofType('panel') as $panel) {
            $name = static fn(string $id): string => $names[$id] ?? $id;
            $labels[] = self::panel(
                $name($panel->id),
                array_map($name, self::sourcesOf($panel, $drawing)),
                $bonded === null ? null : in_array($panel->id, $bonded, true),
            );
        }

        return $labels;
    }

    /** What stands on the control circuit of a changeover panel: opened on one side it is live from the other. */
    public static function ofPanel(BuiltPanel $panel, string $first, string $second): self
    {
        $sources = array_map(static fn(string $id): string => match ($id) {
            $panel->first() => "$first ($id)",
            $panel->second() => "$second ($id)",
            default => $id,
        }, $panel->controlSupplies());
        $isOfTwo = count($sources) > 1;

        return new self(
            'Control circuit',
            ($isOfTwo ? 'Live from ' . implode(' and from ', $sources) . ': with one of them open the other still feeds it. '
                : 'Fed from ' . implode('', $sources) . '. ') . self::ALWAYS,
            [
                ...($panel->startContacts() === [] ? [] : [
                    'The start contact ' . implode(', ', $panel->startContacts()) . ' carries the voltage of the generating set.',
                ]),
                'Contactors are never pushed in by hand unless everything is dead: it puts the source on the load, or on the other source.',
                ...LampWords::of($panel, $first, $second),
            ],
        );
    }

    /** @return list<string> sources that feed it in one position or another */
    private static function sourcesOf(Element $panel, OneLine $drawing): array
    {
        /** @var list<array{energised: array<string, list<string>>}> $states */
        $states = TopologyCheck::of($drawing)->answer()->values['states'];

        return array_values(array_unique(array_merge(
            [],
            ...array_map(static fn(array $state): array => ((array) $state['energised'])[$panel->id] ?? [], $states),
        )));
    }

    /** @param list<string> $sources by their names */
    private static function panel(string $name, array $sources, ?bool $isBonded): self
    {
        return new self($name, 'Fed by ' . implode(', or by ', $sources) . '. ' . self::ALWAYS, [
            $isBonded === null ? 'Whether neutral and ground are joined here is not known: look, isolated and proved dead, before '
                . 'anything is moved.'
                : ($isBonded ? 'Neutral and ground are joined here, and nowhere else behind it.'
                    : 'Neutrals and grounds stay apart here: no bonding screw, no strap. The bond is elsewhere.'),
        ]);
    }
}
