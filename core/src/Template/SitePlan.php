<?php

declare(strict_types=1);

namespace Escapement\Core\Template;

use Escapement\Core\Power\StandardSizes;
use Escapement\Core\Power\System;

/**
 * The one-line and the bonding of an installation, made from what the survey found: nobody draws them by hand.
 * Rule: field notes P1–P3; the shapes are those of topology §1.2 and §2.2.
 */
final readonly class SitePlan
{
    private const LEAST_BREAKER_A = 15;
    private const USUAL_SERVICE_A = 200;
    private const USUAL_GENERATOR_A = 100.0;
    private const LEAST_DWELLING_A = 100;
    private const PARALLEL_FROM_A = 320;

    /**
     * @param list<PlanLoad> $loads
     * @param list<SubPanel> $subPanels each after the one that feeds it
     */
    public function __construct(
        public InstallationKind $kind,
        public string $system,
        private float $vLn,
        private ?int $serviceA,
        private ?int $switchA,
        private bool $isServiceRated,
        private ?int $poles,
        private bool $isNeutralSwitched,
        private ?float $generatorBreakerA,
        private bool $isGeneratorBonded,
        private bool $isPanelBonded,
        private int $groundsOnNeutralBar,
        private int $groundBarFree,
        private ?float $faultKa,
        private ?float $withstandKa,
        private array $loads,
        private array $subPanels = [],
    ) {}

    /** Three-phase kinds are planned by their own rules. */
    public static function knows(InstallationKind $kind): bool
    {
        return ! in_array($kind, [InstallationKind::ContactorPair, InstallationKind::ContactorGenerator, InstallationKind::MotorDriven], true);
    }

    /** @return array<string, string> what each element is called */
    public function names(): array
    {
        $names = [
            'utility' => 'Utility', 'shore' => 'Shore supply', 'meter' => 'Meter', 'q1' => 'Q1 service', 'ats' => 'Transfer switch', 'gen' => 'Generator', 'cord' => 'Shore cord inlet',
            'inlet' => 'Generator inlet', 'panel' => 'Panel', 'panel-a' => 'Panel A', 'panel-b' => 'Panel B', 'main' => 'Main panel', 'crit' => 'Essential panel', 'box' => 'Switch box circuits',
        ];
        foreach ($this->subPanels as $panel) {
            $names[$panel->id] = $panel->name;
        }
        foreach ($this->loads as $i => $load) {
            $names['load-' . ($i + 1)] = $load->name;
        }

        return $names;
    }

    /** @return array{system: string, elements: list<array<string, mixed>>, links: list<array{from: string, to: string}>} the input of `topology` */
    public function drawing(): array
    {
        $elements = $links = $breakers = [];
        foreach ($this->loads as $i => $load) {
            $amps = 1000 * $load->kw / (count($load->phases()) === 1 ? $this->vLn : System::of($this->system, $this->vLn)->vLl());
            $ratingA = max(self::LEAST_BREAKER_A, StandardSizes::next(1.25 * $amps) ?? self::LEAST_BREAKER_A);
            $breakers[$this->panelOf($i, $load)][] = ['id' => 'b' . ($i + 1), 'rating_a' => $ratingA, 'poles' => count($load->phases())];
        }
        foreach ($this->chain() as $part) {
            $fields = $part->fields;
            if (isset($breakers[$part->id])) {
                $fields['breakers'] = [...(is_array($fields['breakers'] ?? null) ? $fields['breakers'] : []), ...$breakers[$part->id]];
            }
            $elements[] = ['id' => $part->id, 'type' => $part->type] + $fields;
            foreach ($part->from as $port => $feeder) {
                $links[] = ['from' => $feeder, 'to' => $part->id . ($port === '' ? '' : ".$port")];
            }
        }
        foreach ($this->loads as $i => $load) {
            $n = $i + 1;
            $elements[] = ['id' => "load-$n", 'type' => 'load', 'phases' => $load->phases(), 'va' => (int) round(1000 * $load->kw)];
            $links[] = ['from' => $this->panelOf($i, $load) . ".b$n", 'to' => "load-$n"];
        }

        return ['system' => $this->system, 'elements' => $elements, 'links' => $links];
    }

    /** @return array{phases: int, elements: list<array<string, mixed>>} the input of `bonding` */
    public function bonding(): array
    {
        $elements = [];
        foreach ($this->chain() as $part) {
            $f = $part->fields;
            $feed = array_map(static fn(string $feeder): string => explode('.', $feeder)[0], array_values($part->from));
            $elements[] = ['id' => $part->id, 'type' => $part->type === 'meter' ? 'inlet' : $part->type] + match ($part->type) {
                'source' => ['kind' => $f['kind']] + ($f['kind'] === 'generator' ? ['bond' => $this->isGeneratorBonded, 'permanent' => $this->kind !== InstallationKind::PlugInBox] : []),
                'switch' => ['neutral' => $f['neutral'], 'normal_from' => $feed[0], 'emergency_from' => $feed[1], 'service_rated' => $f['service_rated']],
                'panel' => ['from' => $feed[0], 'service' => $f['service'] ?? false] + $this->bars($part->id),
                'disconnect' => ['from' => $feed[0], 'service' => true, 'bond' => true],
                default => ['from' => $feed[0]],
            };
        }
        foreach ($this->loads as $i => $load) {
            $elements[] = ['id' => 'load-' . ($i + 1), 'type' => 'load', 'from' => $this->panelOf($i, $load), 'needs_neutral' => count($load->phases()) === 1];
        }

        return ['phases' => System::of($this->system, $this->vLn)->legs(), 'elements' => $elements];
    }

    /**
     * The feeders that such an installation has, to begin the schedule of wires with: lengths, metals and loadings are planning figures.
     *
     * @return list<array{name: string, from: string, to: string, amps: float, ocpd_a: float, length_m: float, material: string, raceway: string, trade_size: string, sets: int, dwelling: string, service: string}>
     */
    public function feeders(): array
    {
        $names = $this->names();
        $isHouse = ! $this->kind->isMobile() && $this->kind !== InstallationKind::PlugInBox;
        $feeders = [];
        foreach ($this->chain() as $part) {
            foreach ($part->type === 'inlet' ? [] : $part->from as $feeder) { // a cord is no run in a raceway
                [$from] = explode('.', $feeder);
                if ($from === 'utility') {
                    continue;
                }
                $isGenerator = $from === 'gen' || $from === 'inlet';
                $sub = array_column(array_map(static fn(SubPanel $one): array => [$one->id, $one->breakerA], $this->subPanels), 1, 0)[$part->id] ?? null;
                $ocpdA = match (true) {
                    $sub !== null => (float) $sub,
                    $isGenerator => $this->generatorBreakerA ?? ($isHouse ? self::USUAL_GENERATOR_A : $this->switchA ?? 30),
                    $part->id === 'crit', $part->id === 'box', $from === 'main' => (float) ($this->switchA ?? 60),
                    $part->id === 'panel-a', $part->id === 'panel-b' => (float) self::USUAL_SERVICE_A,
                    default => (float) ($this->serviceA ?? ($isHouse ? self::USUAL_SERVICE_A : 50)),
                };
                $isWhole = $isHouse && ! $isGenerator && $sub === null && $ocpdA >= self::LEAST_DWELLING_A;
                $feeders[] = [
                    'name' => $names[$from] . ' to ' . self::within($names[$part->id]), 'from' => $from, 'to' => $part->id, 'amps' => round(0.8 * $ocpdA, 1), 'ocpd_a' => $ocpdA,
                    'length_m' => $isGenerator && $isHouse ? 15.0 : 3.0, 'material' => $isWhole ? 'al' : 'cu', 'raceway' => $isHouse ? 'pvc40' : 'lfmc',
                    'trade_size' => match (true) {
                        $ocpdA > 100 => '2',
                        $ocpdA > 60 => '1-1/4',
                        default => '1',
                    },
                    'sets' => $ocpdA >= self::PARALLEL_FROM_A ? 2 : 1, 'dwelling' => $isWhole ? '1' : '0', 'service' => $from === 'meter' ? '1' : '0',
                ];
            }
        }

        return $feeders;
    }

    /** @return list<string> what a run can begin or end in */
    public function enclosures(): array
    {
        return array_values(array_filter(array_map(static fn(PlanPart $part): string => $part->id, $this->chain()), static fn(string $id): bool => $id !== 'utility' && $id !== 'shore'));
    }

    private static function within(string $name): string
    {
        return preg_match('/^[A-Z][a-z]/', $name) === 1 ? lcfirst($name) : $name;
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
    private function chain(): array
    {
        $parts = [];
        foreach ($this->trunk() as $part) {
            $parts[$part->id] = $part;
        }
        $poles = min(2, System::of($this->system, $this->vLn)->legs());
        foreach ($this->subPanels as $panel) {
            $parent = $parts[$panel->from] ?? null;
            if ($parent?->type === 'panel') { // one whose feeder is gone with a change of kind waits for a new one
                $breakers = is_array($parent->fields['breakers'] ?? null) ? $parent->fields['breakers'] : [];
                $parts[$panel->from] = new PlanPart($parent->id, $parent->type, $parent->from, ['breakers' => [...$breakers, ['id' => "to-$panel->id", 'rating_a' => $panel->breakerA, 'poles' => $poles]]] + $parent->fields);
                $parts[$panel->id] = new PlanPart($panel->id, 'panel', ['' => "$panel->from.to-$panel->id"], ['role' => 'sub', 'rating_a' => $panel->breakerA, 'main_a' => null]);
            }
        }

        return array_values($parts);
    }

    /** @return list<PlanPart> what the kind of installation has */
    private function trunk(): array
    {
        $serviceA = $this->serviceA ?? self::USUAL_SERVICE_A;
        $utility = new PlanPart('utility', 'source', [], ['kind' => 'utility', 'available_fault_ka' => $this->faultKa]);
        $meter = new PlanPart('meter', 'meter', ['' => 'utility']);
        $gen = new PlanPart('gen', 'source', [], ['kind' => 'generator', 'breaker_a' => $this->generatorBreakerA]);
        $feed = ['id' => 'feed', 'rating_a' => $this->switchA ?? 60, 'poles' => min(2, System::of($this->system, $this->vLn)->legs())];
        $main = new PlanPart('main', 'panel', ['' => 'meter'], ['role' => 'main', 'rating_a' => $serviceA, 'main_a' => $serviceA, 'service' => true, 'breakers' => [$feed]]);
        $inlet = static fn(string $id, string $from, int $ratingA): PlanPart => new PlanPart($id, 'inlet', ['' => $from], ['rating_a' => $ratingA]);
        $panel = static fn(string $id, string $role, int $ratingA, ?int $mainA = null): PlanPart => new PlanPart($id, 'panel', ['' => 'ats'], ['role' => $role, 'rating_a' => $ratingA, 'main_a' => $mainA]);
        $shoreA = $this->serviceA ?? ($this->kind === InstallationKind::Mobile30 ? 30 : 50);
        $shore = new PlanPart('shore', 'source', [], ['kind' => 'shore', 'breaker_a' => $shoreA]);
        $ahead = $this->isServiceRated ? [] : [new PlanPart('q1', 'disconnect', ['' => 'meter'], ['rating_a' => $serviceA, 'service' => true])];
        $normal = $this->isServiceRated ? 'meter' : 'q1';

        return match ($this->kind) {
            InstallationKind::EssentialCircuits => [$utility, $meter, $main, $gen, $this->ats('main.feed', 'gen'), $panel('crit', 'sub', $this->switchA ?? 100)],
            InstallationKind::PlugInBox => [$utility, $meter, $main, $gen, $inlet('inlet', 'gen', 30), $this->ats('main.feed', 'inlet'), $panel('box', 'sub', $this->switchA ?? 60)],
            InstallationKind::Mobile30 => [$shore, $inlet('cord', 'shore', $shoreA), $gen, $this->ats('cord', 'gen'), $panel('panel', 'sub', $shoreA, $shoreA)],
            InstallationKind::Mobile50 => [$shore, $inlet('cord', 'shore', $shoreA), $gen, $inlet('inlet', 'gen', $this->switchA ?? 50), $this->ats('cord', 'inlet'), $panel('panel', 'sub', $shoreA, $shoreA)],
            InstallationKind::TwoPanels => [$utility, $meter, ...$ahead, $gen, $this->ats($normal, 'gen'), $panel('panel-a', 'main', 200, 200), $panel('panel-b', 'main', 200, 200)],
            default => [$utility, $meter, ...$ahead, $gen, $this->ats($normal, 'gen'), $panel('panel', 'main', $serviceA, $serviceA)],
        };
    }

    private function ats(string $normal, string $emergency): PlanPart
    {
        $ratingA = $this->switchA ?? $this->serviceA ?? self::USUAL_SERVICE_A;
        $needed = System::of($this->system, $this->vLn)->legs() + ($this->isNeutralSwitched ? 1 : 0);

        return new PlanPart('ats', 'switch', ['normal' => $normal, 'emergency' => $emergency], [
            'kind' => match ($this->kind) {
                InstallationKind::PlugInBox => 'plug_in',
                InstallationKind::Mobile30, InstallationKind::Mobile50 => 'relay_mobile',
                default => 'motor',
            },
            'poles' => max(2, $this->poles ?? $needed), 'neutral' => $this->isNeutralSwitched ? 'switched' : 'solid', 'service_rated' => $this->isServiceRated, 'rating_a' => $ratingA,
            'withstand_ka' => $this->withstandKa, 'main_a' => $this->isServiceRated ? $this->serviceA ?? $ratingA : null,
        ]);
    }

    private function panelOf(int $place, PlanLoad $load): string
    {
        return $load->panel !== null && isset($this->panels()[$load->panel]) ? $load->panel : match ($this->kind) {
            InstallationKind::EssentialCircuits => $load->isTransferred ? 'crit' : 'main',
            InstallationKind::PlugInBox => $load->isTransferred ? 'box' : 'main',
            InstallationKind::TwoPanels => $place % 2 === 0 ? 'panel-a' : 'panel-b',
            default => 'panel',
        };
    }

    /** @return array<string, mixed> how neutral and ground stand in a panel today */
    private function bars(string $panel): array
    {
        foreach ($this->subPanels as $sub) {
            if ($sub->id === $panel) {
                return ['bond' => $sub->isBonded];
            }
        }
        if ($panel === 'crit' || $panel === 'box') {
            return ['bond' => false];
        }
        return ['bond' => $this->isPanelBonded, 'mobile' => $this->kind->isMobile(), 'grounds_on_neutral_bar' => $this->groundsOnNeutralBar, 'ground_bar_free' => $this->groundBarFree];
    }
}
