<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Planning;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Planning\Declared;
use Escapement\Core\Planning\PlanLoad;
use Escapement\Core\Planning\PowerDownTasks;
use Escapement\Core\Planning\PowerDownWork;
use Escapement\Core\Planning\SiteBonding;
use Escapement\Core\Planning\SiteFeeders;
use Escapement\Core\Planning\SitePlan;
use Escapement\Core\Planning\SitePlanInput;
use Escapement\Core\Planning\SubPanel;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\Upstream;
use Escapement\Core\Tests\Calc\Variant;
use Escapement\Core\Topology\BondMove;
use Escapement\Core\Wire\Topology\OneLineWriter;

/** Plans of every kind of installation in several situations, and all that is read off them: without words, which may be said better. */
final class GoldenPlans
{
    /** @return iterable<string, SitePlan> */
    public static function all(): iterable
    {
        foreach (InstallationKind::cases() as $kind) {
            foreach (self::situations($kind) as $name => $known) {
                $system = $kind->isThreePhase() ? 'three' : 'split';
                $known += ['kind' => $kind, 'system' => $system, 'vLn' => 120.0];
                yield "$kind->value, $name" => new SitePlan(new SitePlanInput(...$known));
            }
        }
    }

    /** @return array<string, array<string, mixed>> arguments of the input */
    private static function situations(InstallationKind $kind): array
    {
        $surveyed = [
            'serviceA' => 200, 'switchA' => 200, 'poles' => 3, 'isNeutralSwitched' => false, 'generatorBreakerA' => 80.0,
            'sourceLegA' => 70.5, 'sourceOcpdA' => 70, 'isGeneratorBonded' => false, 'isPanelBonded' => true, 'isServiceBonded' => false,
            'electrodeAt' => 'panel', 'upstream' => Upstream::Utility, 'groundsOnNeutralBar' => 7, 'groundBarFree' => 3,
            'faultKa' => 10.0, 'withstandKa' => 22.0, 'loads' => self::loads(),
        ];
        $panels = [new SubPanel('sub-1', 'Garage', 'panel', 60, false), new SubPanel('sub-2', 'Barn', 'sub-1', 40, true)];
        $declared = new Declared($kind, [
            'system_class' => 'legally_required', 'inspection' => 'released', 'clearance' => 'yes', 'labels' => 'no', 'listed' => 'yes',
        ]);

        return [
            'nothing known' => [],
            'surveyed' => $surveyed,
            'neutral switched, bonded at the source' => [
                'isNeutralSwitched' => true, 'poles' => 4, 'isGeneratorBonded' => true,
            ] + $surveyed,
            'disconnect with the bond ahead' => [
                'upstream' => Upstream::Combined, 'isServiceBonded' => true, 'isPanelBonded' => false, 'electrodeAt' => 'disconnect',
            ] + $surveyed,
            'disconnect without a bond, electrode at the meter' => [
                'upstream' => Upstream::Disconnect, 'electrodeAt' => 'meter', 'isPanelBonded' => false,
            ] + $surveyed,
            'switch as service equipment' => ['isServiceRated' => true, 'groundBarFree' => 20] + $surveyed,
            'on batteries' => ['isBattery' => true, 'generatorBreakerA' => null, 'sourceOcpdA' => 25, 'sourceLegA' => 25.0] + $surveyed,
            'large, with panels behind' => [
                'serviceA' => 400, 'switchA' => 400, 'subPanels' => $panels, 'declared' => $declared,
            ] + $surveyed,
            'three poles' => ['isNeutralSwitched' => null, 'poles' => 3, 'generatorBreakerA' => 60.0] + $surveyed,
            'four poles' => ['isNeutralSwitched' => null, 'poles' => 4, 'generatorBreakerA' => 110.0] + $surveyed,
            'one size more' => ['generatorBreakerA' => 70.0, 'serviceA' => 320, 'switchA' => 320, 'isBattery' => true] + $surveyed,
            'small service' => ['serviceA' => 60, 'switchA' => 60, 'loads' => []] + $surveyed,
            'neutral not looked at' => ['isNeutralSwitched' => null, 'poles' => null] + $surveyed,
            'bonds not looked at' => ['isPanelBonded' => null, 'isGeneratorBonded' => null] + $surveyed,
        ];
    }

    /** @return array<string, mixed> the usual day of such a plan: minutes, who, and what waits for what */
    private static function day(SitePlan $plan, SiteBonding $bonding, int $feeders): array
    {
        $titles = array_values(array_map(static fn(BondMove $move): string => $move->action, $bonding->moves()));
        $day = PowerDownTasks::usual(new PowerDownWork(
            $plan->in->kind,
            $feeders,
            $titles,
            $bonding->groundsToMove(),
            count($plan->in->loads),
            $plan->in->upstream,
            $plan->in->isServiceRated,
            $plan->in->upstream,
        ));
        $task = static fn(array $one): array => array_intersect_key($one, ['id' => 0, 'minutes' => 0, 'after' => 0, 'dark' => 0]);

        return ['open' => $day['open']['minutes'], 'close' => $day['close']['minutes'], 'tasks' => array_map($task, $day['tasks'])];
    }

    /** @return list<PlanLoad> */
    private static function loads(): array
    {
        return [
            new PlanLoad('Refrigerator', 0.4, 'L1', true),
            new PlanLoad('Well pump', 1.5, 'L1L2', true),
            new PlanLoad('Range', 8.0, 'L1L2', false),
            new PlanLoad('Lights', 0.8, 'L2', true, 'panel'),
        ];
    }

    /**
     * What is read off each: of a surveyed site all of it, of another situation what differs from that.
     *
     * @return array<string, array<string, mixed>>
     */
    public static function golden(): array
    {
        $surveyed = [];
        foreach (self::all() as $name => $plan) {
            if (str_ends_with($name, ', surveyed')) {
                $surveyed[$plan->in->kind->value] = Variant::flat(self::readOff($plan));
            }
        }
        $golden = [];
        foreach (self::all() as $name => $plan) {
            $flat = Variant::flat(self::readOff($plan));
            $before = str_ends_with($name, ', surveyed') ? [] : $surveyed[$plan->in->kind->value];
            $golden[$name] = Variant::difference($before, $flat);
        }

        return $golden;
    }

    /** @return array<string, mixed> */
    private static function readOff(SitePlan $plan): array
    {
        $bonding = new SiteBonding($plan);
        $feeders = new SiteFeeders($plan);

        return [
            'drawing' => (new OneLineWriter())->drawing($plan->oneLine()),
            'devices' => array_keys($plan->devices()),
            'enclosures' => $plan->enclosures(),
            'panels' => array_keys($plan->panels()),
            'unsaid' => $plan->unsaid(),
            'loads' => array_map(
                static fn(PlanLoad $load, int $i): array => [$plan->panelOf($i, $load), $plan->isTransferred($i, $load)],
                $plan->in->loads,
                array_keys($plan->in->loads),
            ),
            'bonds' => array_diff_key($bonding->values, ['working' => true]),
            'moves' => array_map(static fn(BondMove $move): string => "$move->action at $move->at", $bonding->moves()),
            'bonded after' => $bonding->bondedAfter(),
            'grounds to move' => $bonding->groundsToMove(),
            'unknown' => count($bonding->unknown),
            'findings' => array_map(static fn(Finding $one): array => [$one->id, $one->severity->value, $one->at], $bonding->findings),
            'feeders' => array_map(static fn(array $one): array => array_diff_key($one, ['name' => true]), $feeders->feeders()),
            'waiting' => count($feeders->waiting()),
            'day' => self::day($plan, $bonding, count($feeders->feeders())),
        ];
    }
}
