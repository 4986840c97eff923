<?php

declare(strict_types=1);

namespace Escapement\Core\Planning;

use Escapement\Core\Input\Node;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\LegSystem;
use Escapement\Core\Plant\Upstream;
use Escapement\Core\Topology\Device;
use Escapement\Core\Topology\ElementNames;
use Escapement\Core\Topology\OneLine;
use Escapement\Core\Topology\OneLineReader;
use Escapement\Core\Wiring\StandardSizes;

/**
 * The one-line of an installation, made from what the survey found: nobody draws it by hand.
 * Rule: docs/rules.md#site-plan; the shapes are those of docs/schema/topology.schema.json. Bonds: SiteBonding; feeders: SiteFeeders.
 */
final readonly class SitePlan
{
    private const LEAST_BREAKER_A = 15;
    public const USUAL_SERVICE_A = 200;
    private const USUAL_PANEL_A = 200;

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

    /**
     * @return array{system: string, elements: list<array<string, mixed>>, links: list<array{from: string, to: string}>,
     *     volts_ll?: float, facts?: array<string, ?bool>} the input of `topology`
     */
    public function drawing(): array
    {
        $elements = $links = $breakers = [];
        foreach ($this->in->loads as $i => $load) {
            $ratingA = max(self::LEAST_BREAKER_A, StandardSizes::next(1.25 * $this->ampsOf($load)) ?? self::LEAST_BREAKER_A);
            $breakers[$this->panelOf($i, $load)][] = ['id' => 'b' . ($i + 1), 'rating_a' => $ratingA, 'poles' => count($load->phases())];
        }
        foreach ($this->chain() as $part) {
            $fields = $part->fields;
            if (isset($breakers[$part->id])) {
                $fields['breakers'] = [...(is_array($fields['breakers'] ?? null) ? $fields['breakers'] : []), ...$breakers[$part->id]];
            }
            $elements[] = ['id' => $part->id, 'type' => $part->type] + $fields + $this->declared($part);
            foreach ($part->from as $port => $feeder) {
                $links[] = ['from' => $feeder, 'to' => $part->id . ($port === '' ? '' : ".$port")];
            }
        }
        foreach ($this->in->loads as $i => $load) {
            $n = $i + 1;
            $elements[] = ['id' => "load-$n", 'type' => 'load', 'phases' => $load->phases(), 'va' => (int) round(1000 * $load->kw)];
            $links[] = ['from' => $this->panelOf($i, $load) . ".b$n", 'to' => "load-$n"];
        }

        $facts = $this->in->declared?->ofService();

        return ['system' => $this->system, 'elements' => $elements, 'links' => $links]
            + ($this->system === 'three' ? ['volts_ll' => round(LegSystem::of($this->system, $this->in->vLn)->vLl(), 3)] : [])
            + ($facts === null ? [] : ['facts' => $facts]);
    }

    /** @return array<string, mixed> what somebody has declared of a part, and the fault current there */
    private function declared(PlanPart $part): array
    {
        $declared = $this->in->declared;
        $hasMain = ($part->fields['main_a'] ?? null) !== null;
        $isService = ($part->fields['service'] ?? false) === true;

        $faultKa = in_array($part->type, ['disconnect', 'switch', 'panel'], true) ? $this->faultKa[$part->id] ?? null : null;

        return ($faultKa === null ? [] : ['fault_ka' => $faultKa]) + match (true) {
            $declared === null => [],
            $part->type === 'switch' => $declared->ofSwitch($hasMain),
            $part->type === 'panel' => $declared->ofPanel($hasMain, $isService),
            $part->type === 'disconnect' && $isService => $declared->ofServiceDisconnect(),
            $part->id === 'gen' && ! $this->in->isBattery => $declared->ofGenerator(),
            default => [],
        };
    }

    /** The drawing as a graph: what is fed from where. */
    public function oneLine(): OneLine
    {
        return (new OneLineReader())->whole(Node::fromArray($this->drawing()));
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
        foreach ($this->trunk() as $part) {
            $parts[$part->id] = $part;
        }
        $poles = $this->feederPoles();
        foreach ($this->in->subPanels as $panel) {
            $parent = $parts[$panel->from] ?? null;
            if ($parent?->type === 'panel') { // one whose feeder is gone with a change of kind waits for a new one
                $breakers = is_array($parent->fields['breakers'] ?? null) ? $parent->fields['breakers'] : [];
                $feed = ['id' => "to-$panel->id", 'rating_a' => $panel->breakerA, 'poles' => $poles];
                $parts[$panel->from] = new PlanPart(
                    $parent->id,
                    $parent->type,
                    $parent->from,
                    ['breakers' => [...$breakers, $feed]] + $parent->fields,
                );
                $parts[$panel->id] = new PlanPart(
                    $panel->id,
                    'panel',
                    ['' => "$panel->from.to-$panel->id"],
                    ['role' => 'sub', 'rating_a' => $panel->breakerA, 'main_a' => null],
                );
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

    /** @return list<PlanPart> what the kind of installation has */
    private function trunk(): array
    {
        $in = $this->in;
        $gen = new PlanPart(
            'gen',
            'source',
            [],
            ['kind' => $in->isBattery ? 'inverter' : 'generator', 'breaker_a' => $in->generatorBreakerA],
        );
        $inlet = static fn(string $id, string $from, int $ratingA): PlanPart => new PlanPart(
            $id,
            'inlet',
            ['' => $from],
            ['rating_a' => $ratingA],
        );
        $panel = static fn(string $id, string $role, int $ratingA, ?int $mainA = null): PlanPart
            => new PlanPart($id, 'panel', ['' => 'ats'], ['role' => $role, 'rating_a' => $ratingA, 'main_a' => $mainA]);
        $serviceA = $in->serviceA ?? self::USUAL_SERVICE_A;

        switch ($this->kind) {
            case InstallationKind::Mobile30:
            case InstallationKind::Mobile50:
                $shoreA = $in->serviceA ?? ($this->kind === InstallationKind::Mobile30 ? 30 : 50);
                $shore = new PlanPart('shore', 'source', [], ['kind' => 'shore', 'breaker_a' => $shoreA]);
                $plug = new PlanPart('plug', 'disconnect', ['' => 'shore'], ['rating_a' => null]);
                $hasInlet = $this->kind === InstallationKind::Mobile50;

                return [
                    $shore, $plug, $inlet('cord', 'plug', $shoreA), $gen,
                    ...($hasInlet ? [$inlet('inlet', 'gen', $in->switchA ?? 50)] : []),
                    $this->ats('cord', $hasInlet ? 'inlet' : 'gen'), $panel('panel', 'sub', $shoreA, $shoreA),
                ];

            case InstallationKind::EssentialCircuits:
            case InstallationKind::PlugInBox:
                [$ahead, $from] = $this->ahead(isServiceAhead: false);
                $feed = ['id' => 'feed', 'rating_a' => $in->switchA ?? 60, 'poles' => $this->feederPoles()];
                $main = new PlanPart('main', 'panel', ['' => $from], [
                    'role' => 'main', 'rating_a' => $serviceA, 'main_a' => $serviceA, 'service' => $in->upstream !== Upstream::Combined,
                    'breakers' => [$feed],
                ]);

                return $this->kind === InstallationKind::EssentialCircuits
                    ? [...$ahead, $main, $gen, $this->ats('main.feed', 'gen'), $panel('crit', 'sub', $in->switchA ?? 100)]
                    : [
                        ...$ahead, $main, new PlanPart('plug', 'disconnect', ['' => 'main.feed'], ['rating_a' => null]), $gen,
                        $inlet('inlet', 'gen', 30),
                        $this->ats('plug', 'inlet'), $panel('box', 'sub', $in->switchA ?? 60),
                    ];

            case InstallationKind::ContactorPair:
                $transformer = static fn(string $id): PlanPart => new PlanPart(
                    $id,
                    'source',
                    [],
                    ['kind' => 'transformer', 'available_fault_ka' => $in->faultKa],
                );
                $q = static fn(string $id, string $from): PlanPart => new PlanPart(
                    $id,
                    'disconnect',
                    ['' => $from],
                    ['rating_a' => $serviceA, 'service' => true],
                );

                return [
                    $transformer('t1'), $q('q1', 't1'), $transformer('t2'), $q('q2', 't2'), $this->ats('q1', 'q2'),
                    $panel('panel', 'main', $serviceA),
                ];

            default:
                [$ahead, $from] = $this->ahead(isServiceAhead: ! $in->isServiceRated);
                $panels = match (true) {
                    $this->kind === InstallationKind::TwoPanels => [
                        $panel('panel-a', 'main', self::USUAL_PANEL_A, self::USUAL_PANEL_A),
                        $panel('panel-b', 'main', self::USUAL_PANEL_A, self::USUAL_PANEL_A),
                    ],
                    $this->kind->isThreePhase() => [$panel('panel', 'main', $serviceA)],
                    default => [$panel('panel', 'main', $serviceA, $serviceA)],
                };

                return [...$ahead, $gen, $this->ats($from, 'gen'), ...$panels];
        }
    }

    /**
     * Utility, meter, and the disconnects ahead of the switch or of the main panel.
     *
     * @return array{list<PlanPart>, string} the parts, and the last of them
     */
    private function ahead(bool $isServiceAhead): array
    {
        $in = $this->in;
        $serviceA = $in->serviceA ?? self::USUAL_SERVICE_A;
        $parts = [
            new PlanPart('utility', 'source', [], ['kind' => 'utility', 'available_fault_ka' => $in->faultKa]),
            new PlanPart('meter', 'meter', ['' => 'utility']),
        ];
        $last = 'meter';
        $isMainByMeter = $in->upstream === Upstream::Combined;
        if ($in->upstream?->isOnSite() === true) {
            $parts[] = new PlanPart(
                'md',
                'disconnect',
                ['' => $last],
                ['rating_a' => $isMainByMeter ? $serviceA : null, 'service' => $isMainByMeter],
            );
            $last = 'md';
        }
        if ($isServiceAhead && ! $isMainByMeter) {
            $parts[] = new PlanPart('q1', 'disconnect', ['' => $last], ['rating_a' => $serviceA, 'service' => true]);
            $last = 'q1';
        }

        return [$parts, $last];
    }

    private function ats(string $normal, string $emergency): PlanPart
    {
        $in = $this->in;
        $ratingA = $in->switchA ?? $in->serviceA ?? self::USUAL_SERVICE_A;
        $isNeutralSwitched = $in->isNeutralSwitched === true;
        $needed = $this->feederPoles() + ($isNeutralSwitched ? 1 : 0);
        // A plug-in box and a vehicle's relay are never the service disconnect, whatever was ticked.
        $isServiceRated = $in->isServiceRated && $this->kind->isAtService();

        return new PlanPart('ats', 'switch', ['normal' => $normal, 'emergency' => $emergency], [
            'kind' => match (true) {
                $this->kind === InstallationKind::PlugInBox => 'plug_in',
                $this->kind->isMobile() => 'relay_mobile',
                $this->kind === InstallationKind::ContactorPair, $this->kind === InstallationKind::ContactorGenerator => 'contactor_pair',
                default => 'motor',
            },
            'poles' => max(2, min(4, $in->poles ?? $needed)), 'neutral' => $isNeutralSwitched ? 'switched' : 'solid',
            'service_rated' => $isServiceRated, 'rating_a' => $ratingA,
            'withstand_ka' => $in->withstandKa, 'main_a' => $isServiceRated ? $in->serviceA ?? $ratingA : null,
        ]);
    }
}
