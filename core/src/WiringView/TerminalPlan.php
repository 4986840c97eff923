<?php

declare(strict_types=1);

namespace Escapement\Core\WiringView;

use Escapement\Core\Topology\Element;

/**
 * The terminals of an enclosure on a grid: a leg keeps its column in every row, so that legs never cross. Rule: docs/rules.md#wiring-view.
 */
final readonly class TerminalPlan
{
    private const ROWS = ['switch' => ['normal', 'load', 'emergency'], 'disconnect' => ['in', 'out'], 'panel' => ['in', 'bus']];

    /** @var non-empty-array<string, Terminal> lugs and bars by id, in terminal order */
    public array $terminals;

    /** The row of the controls, after the last one. */
    public int $controlRow;

    /** @param list<string> $phases */
    public function __construct(Element $enclosure, array $phases)
    {
        $ports = self::ROWS[$enclosure->type] ?? throw new \LogicException("A $enclosure->type is no enclosure.");
        $isSwitch = $enclosure->type === 'switch';
        $hasNeutralLugs = $isSwitch && $enclosure->switchesNeutral();
        $neutralColumn = count($phases) + 1;
        $barRow = $isSwitch ? 2 : 1;
        $terminals = [];
        foreach ($ports as $row => $port) {
            foreach ($phases as $column => $leg) {
                $terminals["$port.$leg"] = new Terminal("$port.$leg", 'lug', $leg, $port, $row + 1, $column + 1);
            }
            if ($hasNeutralLugs) {
                $terminals["$port.N"] = new Terminal("$port.N", 'lug', 'N', null, $row + 1, $neutralColumn);
            }
        }
        if (! $hasNeutralLugs) {
            $terminals['neutral'] = new Terminal('neutral', 'bar', 'N', null, $barRow, $neutralColumn);
        }
        $terminals['ground'] = new Terminal('ground', 'bar', 'G', null, $barRow, $neutralColumn + 1);
        foreach ($enclosure->breakers as $k => $breaker) {
            foreach ($phases as $column => $leg) {
                $id = "$breaker->id.$leg";
                $terminals[$id] = new Terminal($id, 'lug', $leg, $breaker->id, count($ports) + 1 + $k, $column + 1, true);
            }
        }
        $this->terminals = $terminals;
        $this->controlRow = count($ports) + count($enclosure->breakers) + 1;
    }

    /** @return non-empty-list<string> of lugs and bars, in terminal order */
    public function ids(): array
    {
        return array_map(strval(...), array_keys($this->terminals));
    }

    /** Where a conductor lands when nobody says otherwise. */
    public function usual(string $leg, string $port): string
    {
        if ($leg === 'G') {
            return 'ground';
        }

        return isset($this->terminals["$port.$leg"]) ? "$port.$leg" : 'neutral';
    }
}
