<?php

declare(strict_types=1);

namespace Escapement\Core\Wire;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Topology\Element;
use Escapement\Core\Topology\OneLine;
use Escapement\Core\Wire\Topology\DrawingFields;
use Escapement\Core\Wire\Topology\OneLineReader;
use Escapement\Core\Wiring\Colours\ColourSystem;
use Escapement\Core\Wiring\Sizes;
use Escapement\Core\WiringView\Control;
use Escapement\Core\WiringView\ControlWire;
use Escapement\Core\WiringView\Jumper;
use Escapement\Core\WiringView\Lug;
use Escapement\Core\WiringView\PlannedConductor;
use Escapement\Core\WiringView\TerminalPlan;
use Escapement\Core\WiringView\WiringView;
use Escapement\Core\WiringView\WiringViewInput;

/** `wiring_view` on the wire. Rule: docs/rules.md#wiring-view. */
final readonly class WiringViewReader implements InputReader
{
    private const CONTROL_SIZES = ['18', '16', '14', '12', '10'];

    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function answer(Node $node): array
    {
        return ResultWriter::write((new WiringView())->of($this->input($node)));
    }

    /** @throws BadInput */
    public function input(Node $node): WiringViewInput
    {
        $drawing = (new OneLineReader())->interlocked($node);
        $in = new DrawingFields($node);
        $enclosure = $this->enclosure($in->required('enclosure'), $drawing);
        $phases = array_slice(['L1', 'L2', 'L3'], 0, $drawing->phases());
        $plan = new TerminalPlan($enclosure, $phases);
        $sizes = $in->word('size_system', ['awg', 'mm2'], 'awg') === 'awg' ? Sizes::AWG : Sizes::MM2;
        $conductors = $this->conductors($in, $drawing, $enclosure, $plan, $phases, $sizes);
        $lugs = $this->lugs($in, $plan, $sizes);
        $bond = $in->bool('bond', false);
        $bondWanted = $in->fact('bond_wanted');
        $controls = $this->controls($in, $drawing, $plan);
        $ids = array_map(static fn(Control $control): string => $control->id, $controls);
        $taken = array_fill_keys(array_map(static fn(PlannedConductor $one): string => $one->id, $conductors), true);
        $wires = $this->wires($in, $ids, $taken);

        return new WiringViewInput(
            $drawing,
            $enclosure,
            $sizes,
            $conductors,
            $lugs,
            $bond,
            $bondWanted,
            $controls,
            $wires,
            $this->jumpers($in, $ids),
        );
    }

    private function enclosure(Node $node, OneLine $drawing): Element
    {
        $element = is_string($node->value) ? $drawing->byId[$node->value] ?? null : null;
        if ($element === null || ! in_array($element->type, ['switch', 'panel', 'disconnect'], true)) {
            throw $node->bad('This must be a switch, a panel or a disconnect.');
        }

        return $element;
    }

    /**
     * @param list<string> $phases
     * @param non-empty-list<string> $sizes
     *
     * @return list<PlannedConductor>
     */
    private function conductors(
        DrawingFields $in,
        OneLine $drawing,
        Element $enclosure,
        TerminalPlan $plan,
        array $phases,
        array $sizes,
    ): array {
        $conductors = [];
        foreach ($in->required('conductors')->list(0, 120) as $item) {
            $one = new DrawingFields($item);
            $id = self::fresh($one, $conductors);
            $link = $this->link($one->required('link'), $drawing, $enclosure);
            $leg = $one->word('leg', [...$phases, 'N', 'G']);
            $terminal = $one->wordOrNull('terminal', $plan->ids());
            $size = $one->wordOrNull('size', $sizes);
            $material = $one->wordOrNull('material', ['cu', 'al']);
            $colour = $one->wordOrNull('colour', ColourSystem::COLOURS);
            $entry = $one->word('entry', ['top', 'bottom', 'left', 'right'], 'top');
            $conductors[$id] = new PlannedConductor(
                $id,
                $link,
                $leg,
                $terminal,
                $size,
                $material,
                $colour === 'grey' ? 'gray' : $colour,
                $entry,
            );
        }

        return array_values($conductors);
    }

    private function link(Node $node, OneLine $drawing, Element $enclosure): int
    {
        $link = is_int($node->value) ? $drawing->links[$node->value] ?? null : null;
        if (! is_int($node->value) || $link === null || ! in_array($enclosure->id, [$link->fromId, $link->toId], true)) {
            throw $node->bad('This must be the index of a link that touches the enclosure.');
        }

        return $node->value;
    }

    /**
     * @param non-empty-list<string> $sizes
     *
     * @return array<string, Lug>
     */
    private function lugs(DrawingFields $in, TerminalPlan $plan, array $sizes): array
    {
        $lugs = [];
        foreach (self::items($in, 'lugs', 120) as $item) {
            $one = new DrawingFields($item);
            $terminal = $one->word('terminal', $plan->ids());
            if (isset($lugs[$terminal])) {
                throw $one->at('terminal')->bad('This terminal is in the list already.');
            }
            $wires = $one->optional('wires_max');
            $wiresMax = $wires === null || $wires->isNull() ? null : self::whole($wires, 1, 40);
            $material = $one->wordOrNull('material', ['cu', 'al', 'cu_al']);
            $min = $one->wordOrNull('min_size', $sizes);
            $max = $one->wordOrNull('max_size', $sizes);
            $depth = ($node = $one->optional('depth')) === null ? 0 : self::whole($node, 0, 9);
            if ($min !== null && $max !== null && array_search($max, $sizes, true) < array_search($min, $sizes, true)) {
                throw $one->at('max_size')->bad('The largest size is not below the smallest.');
            }
            $lugs[$terminal] = new Lug($terminal, $wiresMax, $material, $min, $max, $depth);
        }

        return $lugs;
    }

    /** @return list<Control> */
    private function controls(DrawingFields $in, OneLine $drawing, TerminalPlan $plan): array
    {
        $controls = [];
        foreach (self::items($in, 'controls', 40) as $item) {
            $one = new DrawingFields($item);
            $id = self::fresh($one, $controls + $plan->terminals);
            $function = $one->word('function', Control::FUNCTIONS);
            $volts = $one->positiveOrNull('volts');
            $sources = array_map(static fn(Element $source): string => $source->id, $drawing->sources);
            $controls[$id] = new Control($id, $function, $volts, $one->wordOrNull('fed_by', [...$sources, 'other']));
        }

        return array_values($controls);
    }

    /**
     * @param list<string>        $controls
     * @param array<string, true> $taken    ids of the conductors
     *
     * @return list<ControlWire>
     */
    private function wires(DrawingFields $in, array $controls, array $taken): array
    {
        $wires = [];
        foreach (self::items($in, 'control_wires', 80) as $item) {
            $one = new DrawingFields($item);
            $id = self::fresh($one, $wires + $taken);
            $wires[$id] = new ControlWire(
                $id,
                self::control($one, 'terminal', $controls),
                $one->required('to')->text(40),
                $one->wordOrNull('size', self::CONTROL_SIZES),
                $one->fact('stranded'),
                $one->fact('ferrule'),
            );
        }

        return array_values($wires);
    }

    /**
     * @param list<string> $controls
     *
     * @return list<Jumper>
     */
    private function jumpers(DrawingFields $in, array $controls): array
    {
        $jumpers = [];
        foreach (self::items($in, 'jumpers', 20) as $item) {
            $one = new DrawingFields($item);
            $a = self::control($one, 'a', $controls);
            $b = self::control($one, 'b', array_values(array_diff($controls, [$a])));
            $jumpers[] = new Jumper($a, $b, $one->bool('fitted'), $one->bool('wanted'));
        }

        return $jumpers;
    }

    /** @param list<string> $controls */
    private static function control(DrawingFields $in, string $key, array $controls): string
    {
        $node = $in->required($key);
        if (! is_string($node->value) || ! in_array($node->value, $controls, true)) {
            throw $node->bad('This must be a control terminal, and another one than its neighbor.');
        }

        return $node->value;
    }

    /** @param array<string, mixed> $taken */
    private static function fresh(DrawingFields $in, array $taken): string
    {
        $id = $in->id();
        if (isset($taken[$id])) {
            throw $in->at('id')->bad("\"$id\" is in use already.");
        }

        return $id;
    }

    private static function whole(Node $node, int $min, int $max): int
    {
        if (! is_int($node->value)) {
            throw $node->bad("This must be a whole number from $min to $max.");
        }

        return $node->integer($min, $max);
    }

    /** @return list<Node> */
    private static function items(DrawingFields $in, string $key, int $max): array
    {
        return ($in->optional($key) ?? $in->node->at($key, []))->list(0, $max);
    }
}
