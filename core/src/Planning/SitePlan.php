<?php

declare(strict_types=1);

namespace Escapement\Core\Planning;

use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\LegSystem;
use Escapement\Core\Plant\Upstream;
use Escapement\Core\Topology\Breaker;
use Escapement\Core\Topology\Device;
use Escapement\Core\Topology\Element;
use Escapement\Core\Topology\ElementNames;
use Escapement\Core\Topology\Link;
use Escapement\Core\Topology\OneLine;
use Escapement\Core\Topology\SwitchFacts;
use Escapement\Core\Wiring\StandardSizes;

/**
 * The one-line of an installation, made from what the survey found: nobody draws it by hand.
 * Rule: docs/rules.md#site-plan. What a kind is made of: PlanTrunk; bonds: SiteBonding; feeders: SiteFeeders.
 */
final readonly class SitePlan
{
    private const LEAST_BREAKER_A = 15;
    public const USUAL_SERVICE_A = 200;

    public InstallationKind $kind;
    public string $system;

    /** @param array<string, float> $faultKa available at elements, where it was worked out */
    public function __construct(public SitePlanInput $in, private array $faultKa = [])
    {
        $this->kind = $in->kind;
        $this->system = $in->system;
    }

    /** The same with the fault currents at its elements. */
    public function withFaults(SiteFaults $faults): self
    {
        return new self($this->in, $faults->known());
    }

    /** @return array<string, string> what each element is called */
    public function names(): array
    {
        $in = $this->in;
        $second = $this->kind === InstallationKind::ContactorPair;
        $names = [
            'utility' => 'Utility', 'shore' => 'Shore supply', 't1' => 'First transformer', 't2' => 'Second transformer',
            'meter' => 'Meter',
            'md' => $in->upstream === Upstream::Combined ? 'Main beside the meter' : 'Meter disconnect',
            'plug' => $this->kind->isMobile() ? 'Shore plug' : 'Plug of the switch box',
            'q1' => match (true) {
                $second => 'First supply disconnect',
                $this->kind->isThreePhase() => 'Supply disconnect',
                default => 'Q1 service',
            },
            'q2' => 'Second supply disconnect', 'ats' => 'Transfer switch', 'gen' => $in->isBattery ? 'Inverter' : 'Generator',
            'cord' => 'Shore cord inlet',
            'inlet' => 'Generator inlet', 'panel' => $this->kind->isThreePhase() ? 'Distribution panel' : 'Panel', 'panel-a' => 'Panel A',
            'panel-b' => 'Panel B',
            'main' => 'Main panel', 'crit' => 'Essential panel', 'box' => 'Switch box circuits',
        ];
        foreach ($in->subPanels as $panel) {
            $names[$panel->id] = $panel->name;
        }
        foreach ($in->loads as $i => $load) {
            $names['load-' . ($i + 1)] = $load->name;
        }

        return $names;
    }

    /** The drawing as a graph: what is fed from where. */
    public function oneLine(): OneLine
    {
        $elements = $links = $breakers = [];
        foreach ($this->in->loads as $i => $load) {
            $ratingA = max(self::LEAST_BREAKER_A, StandardSizes::next(1.25 * $this->ampsOf($load)) ?? self::LEAST_BREAKER_A);
            $breakers[$this->panelOf($i, $load)][] = new Breaker('b' . ($i + 1), $ratingA, count($load->phases()), true);
        }
        $parts = array_column($this->chain(), null, 'id');
        foreach ($parts as $part) {
            $elements[] = $part->withBreakers($breakers[$part->id] ?? [])->withFault($this->faultKa[$part->id] ?? null)->element;
            array_push($links, ...self::links($part, $parts));
        }
        foreach ($this->in->loads as $i => $load) {
            $n = $i + 1;
            $elements[] = new Element("load-$n", 'load', phases: $load->phases(), va: (int) round(1000 * $load->kw));
            $links[] = new Link($this->panelOf($i, $load), "b$n", "load-$n", 'in');
        }

        return new OneLine(
            $this->system,
            $elements,
            $links,
            voltsLl: $this->system === 'three' ? round(LegSystem::of($this->system, $this->in->vLn)->vLl(), 3) : null,
            facts: $this->in->declared?->ofService(),
        );
    }

    /**
     * @param array<string, PlanPart> $parts
     *
     * @return list<Link> to each port of a part
     */
    private static function links(PlanPart $part, array $parts): array
    {
        $links = [];
        foreach ($part->from as $port => $feeder) {
            [$from, $outlet] = explode('.', $feeder, 2) + ['', null];
            $links[] = new Link(
                $from,
                $outlet ?? $parts[$from]->element->outlets()[1] ?? '',
                $part->id,
                $port === '' ? $part->element->inlets()[1] ?? '' : $port,
            );
        }

        return $links;
    }

    /** With what somebody has declared of it. */
    private function declared(PlanPart $part): PlanPart
    {
        $declared = $this->in->declared;
        $e = $part->element;
        $known = match (true) {
            $declared === null => [],
            in_array($e->type, ['switch', 'panel', 'disconnect'], true) => [
                'ratings' => $declared->ratings($e), 'hasGroundFaultProtection' => $declared->groundFaultProtection($e),
            ],
            $e->kind === 'generator' => ['hasEmergencyStop' => $declared->fact('emergency_stop')],
            default => [],
        } + ($e->type === 'switch' ? ['declared' => $declared?->ofSwitch() ?? SwitchFacts::unsaid()] : []);

        return $known === [] ? $part : new PlanPart($e->with($known), $part->from);
    }

    /**
     * @return array<string, string> names of the devices an outage could be simulated with: disconnects, mains and what feeds the switch
     */
    public function devices(): array
    {
        $names = new ElementNames($this->names());
        $devices = [];
        foreach ($this->oneLine()->devices as $device) {
            if ($device->kind !== 'breaker' || self::feedsSwitch($device)) {
                $devices[$device->ref] = ucfirst($names->of($device->ref));
            }
        }

        return $devices;
    }

    private static function feedsSwitch(Device $device): bool
    {
        return $device->ref === 'main.feed';
    }

    /** @return list<string> ids of findings on the drawing that would rest on the neutral of the switch, while that is not known */
    public function unsaid(): array
    {
        return $this->in->isNeutralSwitched === null ? ['poles-too-few', 'poles-spare'] : [];
    }

    /** @return list<string> what a feeder can begin or end in */
    public function enclosures(): array
    {
        $sources = ['utility', 'shore', 't1', 't2', 'plug'];

        return array_values(array_filter(
            array_map(static fn(PlanPart $part): string => $part->id, $this->chain()),
            static fn(string $id): bool => ! in_array($id, $sources, true),
        ));
    }

    /** @return array<string, string> names of the panels that a load can hang on */
    public function panels(): array
    {
        $names = $this->names();
        $panels = [];
        foreach ($this->chain() as $part) {
            if ($part->type === 'panel') {
                $panels[$part->id] = $names[$part->id];
            }
        }

        return $panels;
    }

    /** @return list<PlanPart> everything but the loads, from the sources down */
    public function chain(): array
    {
        $parts = [];
        foreach ((new PlanTrunk($this->in, $this->feederPoles()))->parts() as $part) {
            $parts[$part->id] = $this->declared($part);
        }
        foreach ($this->in->subPanels as $panel) {
            $parent = $parts[$panel->from] ?? null;
            if ($parent?->type === 'panel') { // one whose feeder is gone with a change of kind waits for a new one
                $feed = new Breaker("to-$panel->id", $panel->breakerA, $this->feederPoles(), true);
                $parts[$panel->from] = $parent->withBreakers([$feed]);
                $parts[$panel->id] = $this->declared(new PlanPart(
                    new Element($panel->id, 'panel', ratingA: $panel->breakerA, role: 'sub'),
                    ['' => "$panel->from.to-$panel->id"],
                ));
            }
        }

        return array_values($parts);
    }

    /** The panel a load hangs on. */
    public function panelOf(int $place, PlanLoad $load): string
    {
        return $load->panel !== null && isset($this->panels()[$load->panel]) ? $load->panel : match ($this->kind) {
            InstallationKind::EssentialCircuits => $load->isTransferred ? 'crit' : 'main',
            InstallationKind::PlugInBox => $load->isTransferred ? 'box' : 'main',
            InstallationKind::TwoPanels => $place % 2 === 0 ? 'panel-a' : 'panel-b',
            default => 'panel',
        };
    }

    /** The transfer switch carries it: it does not hang on a panel ahead of the switch. */
    public function isTransferred(int $place, PlanLoad $load): bool
    {
        $feeders = [];
        foreach ($this->chain() as $part) {
            $feeders[$part->id] = isset($part->from['']) ? explode('.', $part->from[''])[0] : null;
        }
        $id = $this->panelOf($place, $load);
        while ($id !== null && $id !== 'ats') {
            $id = $feeders[$id] ?? null;
        }

        return $id === 'ats';
    }

    private function ampsOf(PlanLoad $load): float
    {
        $volts = match (count($load->phases())) {
            1 => $this->in->vLn,
            2 => LegSystem::of($this->system, $this->in->vLn)->vLl(),
            default => 3 * $this->in->vLn,
        };

        return 1000 * $load->kw / $volts;
    }

    private function feederPoles(): int
    {
        return LegSystem::of($this->system, $this->in->vLn)->legs();
    }
}
