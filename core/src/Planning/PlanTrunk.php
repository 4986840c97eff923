<?php

declare(strict_types=1);

namespace Escapement\Core\Planning;

use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\Upstream;
use Escapement\Core\Topology\Breaker;
use Escapement\Core\Topology\Element;

/** What each kind of installation is made of, from its sources down to its own panels. Rule: docs/rules.md#site-plan. */
final readonly class PlanTrunk
{
    private const USUAL_PANEL_A = 200;

    private InstallationKind $kind;

    /** @param int $feederPoles that a feeder of this system has */
    public function __construct(private SitePlanInput $in, private int $feederPoles)
    {
        $this->kind = $in->kind;
    }

    /** @return list<PlanPart> */
    public function parts(): array
    {
        return match ($this->kind) {
            InstallationKind::Mobile30, InstallationKind::Mobile50 => $this->vehicle(),
            InstallationKind::EssentialCircuits => $this->behindMainPanel(
                $this->generator(),
                $this->ats('main.feed', 'gen'),
                $this->panel('crit', 'sub', $this->in->switchA ?? 100),
            ),
            InstallationKind::PlugInBox => $this->behindMainPanel(
                new PlanPart(new Element('plug', 'disconnect'), ['' => 'main.feed']),
                $this->generator(),
                $this->inlet('inlet', 'gen', 30),
                $this->ats('plug', 'inlet'),
                $this->panel('box', 'sub', $this->in->switchA ?? 60),
            ),
            InstallationKind::ContactorPair => $this->twoSupplies(),
            default => $this->atService(),
        };
    }

    /** @return list<PlanPart> shore and its cord, a generator, and the panel of the vehicle */
    private function vehicle(): array
    {
        $shoreA = $this->in->serviceA ?? ($this->kind === InstallationKind::Mobile30 ? 30 : 50);
        $hasInlet = $this->kind === InstallationKind::Mobile50;

        return [
            new PlanPart(new Element('shore', 'source', 'shore', breakerA: $shoreA)),
            new PlanPart(new Element('plug', 'disconnect'), ['' => 'shore']),
            $this->inlet('cord', 'plug', $shoreA),
            $this->generator(),
            ...($hasInlet ? [$this->inlet('inlet', 'gen', $this->in->switchA ?? 50)] : []),
            $this->ats('cord', $hasInlet ? 'inlet' : 'gen'),
            $this->panel('panel', 'sub', $shoreA, $shoreA),
        ];
    }

    /** @return list<PlanPart> the service and its panel stay; one breaker of it feeds what comes behind */
    private function behindMainPanel(PlanPart ...$behind): array
    {
        [$ahead, $from] = $this->ahead(isServiceAhead: false);
        $serviceA = $this->serviceA();
        $main = new Element(
            'main',
            'panel',
            ratingA: $serviceA,
            isService: $this->in->upstream !== Upstream::Combined,
            mainA: $serviceA,
            role: 'main',
            breakers: [new Breaker('feed', $this->in->switchA ?? 60, $this->feederPoles, true)],
        );

        return [...$ahead, new PlanPart($main, ['' => $from]), ...array_values($behind)];
    }

    /** @return list<PlanPart> two transformers, each with its disconnect */
    private function twoSupplies(): array
    {
        $serviceA = $this->serviceA();
        $transformer = fn(string $id): PlanPart => new PlanPart(new Element($id, 'source', 'transformer', faultKa: $this->in->faultKa));
        $q = static fn(string $id, string $from): PlanPart => new PlanPart(
            new Element($id, 'disconnect', ratingA: $serviceA, isService: true),
            ['' => $from],
        );

        return [
            $transformer('t1'), $q('q1', 't1'), $transformer('t2'), $q('q2', 't2'), $this->ats('q1', 'q2'),
            $this->panel('panel', 'main', $serviceA),
        ];
    }

    /** @return list<PlanPart> the switch carries the whole service */
    private function atService(): array
    {
        [$ahead, $from] = $this->ahead(isServiceAhead: ! $this->in->isServiceRated);
        $serviceA = $this->serviceA();
        $panels = match (true) {
            $this->kind === InstallationKind::TwoPanels => [
                $this->panel('panel-a', 'main', self::USUAL_PANEL_A, self::USUAL_PANEL_A),
                $this->panel('panel-b', 'main', self::USUAL_PANEL_A, self::USUAL_PANEL_A),
            ],
            $this->kind->isThreePhase() => [$this->panel('panel', 'main', $serviceA)],
            default => [$this->panel('panel', 'main', $serviceA, $serviceA)],
        };

        return [...$ahead, $this->generator(), $this->ats($from, 'gen'), ...$panels];
    }

    /**
     * Utility, meter, and the disconnects ahead of the switch or of the main panel.
     *
     * @return array{list<PlanPart>, string} the parts, and the last of them
     */
    private function ahead(bool $isServiceAhead): array
    {
        $in = $this->in;
        $parts = [
            new PlanPart(new Element('utility', 'source', 'utility', faultKa: $in->faultKa)),
            new PlanPart(new Element('meter', 'meter'), ['' => 'utility']),
        ];
        $last = 'meter';
        $isMainByMeter = $in->upstream === Upstream::Combined;
        if ($in->upstream?->isOnSite() === true) {
            $parts[] = new PlanPart(
                new Element('md', 'disconnect', ratingA: $isMainByMeter ? $this->serviceA() : null, isService: $isMainByMeter),
                ['' => $last],
            );
            $last = 'md';
        }
        if ($isServiceAhead && ! $isMainByMeter) {
            $parts[] = new PlanPart(new Element('q1', 'disconnect', ratingA: $this->serviceA(), isService: true), ['' => $last]);
            $last = 'q1';
        }

        return [$parts, $last];
    }

    private function ats(string $normal, string $emergency): PlanPart
    {
        $in = $this->in;
        $ratingA = $in->switchA ?? $this->serviceA();
        $isNeutralSwitched = $in->isNeutralSwitched === true;
        $needed = $this->feederPoles + ($isNeutralSwitched ? 1 : 0);
        // A plug-in box and a vehicle's relay are never the service disconnect, whatever was ticked.
        $isServiceRated = $in->isServiceRated && $this->kind->isAtService();

        return new PlanPart(new Element(
            'ats',
            'switch',
            match (true) {
                $this->kind === InstallationKind::PlugInBox => 'plug_in',
                $this->kind->isMobile() => 'relay_mobile',
                $this->kind === InstallationKind::ContactorPair, $this->kind === InstallationKind::ContactorGenerator => 'contactor_pair',
                default => 'motor',
            },
            ratingA: $ratingA,
            poles: max(2, min(4, $in->poles ?? $needed)),
            neutral: $isNeutralSwitched ? 'switched' : 'solid',
            isServiceRated: $isServiceRated,
            withstandKa: $in->withstandKa,
            mainA: $isServiceRated ? $in->serviceA ?? $ratingA : null,
        ), ['normal' => $normal, 'emergency' => $emergency]);
    }

    private function generator(): PlanPart
    {
        return new PlanPart(
            new Element('gen', 'source', $this->in->isBattery ? 'inverter' : 'generator', breakerA: $this->in->generatorBreakerA),
        );
    }

    private function inlet(string $id, string $from, int $ratingA): PlanPart
    {
        return new PlanPart(new Element($id, 'inlet', ratingA: $ratingA), ['' => $from]);
    }

    private function panel(string $id, string $role, int $ratingA, ?int $mainA = null): PlanPart
    {
        return new PlanPart(new Element($id, 'panel', ratingA: $ratingA, mainA: $mainA, role: $role), ['' => 'ats']);
    }

    private function serviceA(): int
    {
        return $this->in->serviceA ?? SitePlan::USUAL_SERVICE_A;
    }
}
