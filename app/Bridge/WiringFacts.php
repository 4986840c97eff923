<?php

declare(strict_types=1);

namespace App\Bridge;

use Escapement\Core\Terminations\Feeder;
use Escapement\Core\Topology\Element;
use Escapement\Core\Topology\OneLine;
use Escapement\Core\Wiring\Sizes;
use Escapement\Core\WiringView\PlannedConductor;
use Escapement\Core\WiringView\WiringViewInput;

/** The terminations of a plan as the wiring view of one enclosure wants them. */
final readonly class WiringFacts
{
    private const ENCLOSURES = ['switch', 'panel', 'disconnect'];

    public OneLine $drawing;
    public ControlStrip $strip;

    public function __construct(public LandingWork $work)
    {
        $this->drawing = $work->plan->plan->oneLine();
        $this->strip = new ControlStrip($work->plan->switch, $this->drawing);
    }

    /** @return array<string, string> enclosures that conductors land in, by element */
    public function enclosures(): array
    {
        $names = $this->work->plan->plan->names();
        $enclosures = [];
        foreach (array_keys($this->work->enclosures) as $id) {
            if (in_array($this->drawing->byId[$id]->type ?? '', self::ENCLOSURES, true)) {
                $enclosures[$id] = $names[$id] ?? $id;
            }
        }

        return $enclosures;
    }

    public function input(string $enclosure): WiringViewInput
    {
        $element = $this->drawing->byId[$enclosure];
        $conductors = [];
        foreach ($this->work->enclosures[$enclosure]->lines ?? [] as $i => $line) {
            $link = $this->link(self::text($line, 'feeder'), $enclosure);
            if ($link !== null) {
                $conductors[] = $this->conductor($i, $line, $link, $element);
            }
        }
        $bond = $this->work->enclosures[$enclosure]->isBondingPoint ?? false;
        $hasStrip = $this->hasStrip($enclosure);

        return new WiringViewInput(
            $this->drawing,
            $element,
            Sizes::AWG,
            $conductors,
            bond: $bond,
            bondWanted: $this->work->bonding->isKnown() ? $bond : null,
            controls: $hasStrip ? array_values($this->strip->controls) : [],
            controlWires: $hasStrip ? $this->strip->wires : [],
            jumpers: $hasStrip ? $this->strip->jumpers : [],
        );
    }

    /** The control conductors end in the transfer switch, and only once somebody has kept them: before that nobody has looked. */
    public function hasStrip(string $enclosure): bool
    {
        return ($this->drawing->byId[$enclosure]->type ?? '') === 'switch' && $this->strip->controls !== [];
    }

    /** @param array<string, mixed> $line */
    private function conductor(int $i, array $line, int $link, Element $enclosure): PlannedConductor
    {
        $drawn = $this->drawing->links[$link];
        $port = $drawn->toId === $enclosure->id ? $drawn->toPort : $drawn->fromPort;
        $on = self::text($line, 'on');
        $size = self::text($line, 'size');

        return new PlannedConductor(
            "c$i",
            $link,
            self::text($line, 'conductor'),
            match (true) {
                $on === 'G' => 'ground',
                $on === 'N' => $enclosure->switchesNeutral() ? "$port.N" : 'neutral',
                default => "$port.$on",
            },
            in_array($size, Sizes::AWG, true) ? $size : null,
            $this->feeder(self::text($line, 'feeder'))?->material,
            self::text($line, 'reid') !== '' ? self::text($line, 'reid') : self::text($line, 'colour'),
            $port === 'normal' || $port === 'in' ? 'top' : 'bottom',
        );
    }

    /** The link of the one-line that a feeder is drawn as; of parallel sets the same one. */
    private function link(string $name, string $enclosure): ?int
    {
        $feeder = $this->feeder($name);
        if ($feeder === null) {
            return null;
        }
        foreach ($this->drawing->links as $i => $link) {
            if ([$link->fromId, $link->toId] === [$feeder->from, $feeder->to] && in_array($enclosure, [$link->fromId, $link->toId], true)) {
                return $i;
            }
        }

        return null;
    }

    private function feeder(string $name): ?Feeder
    {
        foreach ($this->work->feeders as $feeder) {
            if ($name === $feeder->name || str_starts_with($name, "$feeder->name, set ")) {
                return $feeder;
            }
        }

        return null;
    }

    /** @param array<string, mixed> $line */
    private static function text(array $line, string $key): string
    {
        return is_string($line[$key] ?? null) ? $line[$key] : '';
    }
}
