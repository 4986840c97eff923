<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Planning;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Planning\Declared;
use Escapement\Core\Planning\FaultAtElement;
use Escapement\Core\Planning\FaultFeeder;
use Escapement\Core\Planning\FaultFigures;
use Escapement\Core\Planning\FaultVerdict;
use Escapement\Core\Planning\SiteFaults;
use Escapement\Core\Planning\SitePlan;
use Escapement\Core\Planning\SitePlanInput;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Topology\TopologyCheck;
use Escapement\Core\Wiring\FaultCurrent\FaultAtPoint;
use Escapement\Core\Wiring\FaultCurrent\FaultRun;
use Escapement\Core\Wiring\FaultCurrent\GeneratorFault;
use Escapement\Core\Wiring\FaultCurrent\KnownFault;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class SiteFaultsTest extends TestCase
{
    #[Test, DataProvider('kinds')]
    public function every_enclosure_has_a_figure_and_a_feeder_only_lowers_it(InstallationKind $kind): void
    {
        $plan = $this->plan($kind);
        $bare = new SiteFaults($plan, new FaultFigures(new KnownFault(22.0, 1.5, 1.5), $this->generator()));
        $feeders = [];
        foreach ($plan->chain() as $part) {
            foreach ($part->from as $from) {
                $feeders[] = new FaultFeeder(explode('.', $from)[0], $part->id, new FaultRun('al', '4/0', 60.0));
            }
        }
        $long = new SiteFaults($plan, new FaultFigures(new KnownFault(22.0, 1.5, 1.5), $this->generator(), $feeders));
        self::assertSame(array_keys($bare->elements), array_keys($long->elements));
        foreach ($bare->elements as $id => $element) {
            if ($kind->isMobile()) {
                continue; // shore: nobody has its figure
            }
            self::assertTrue($element->isWhole, $id);
            self::assertGreaterThan((float) $long->elements[$id]->maxKa(), (float) $element->maxKa(), $id);
        }
    }

    /** @return iterable<string, array{InstallationKind}> */
    public static function kinds(): iterable
    {
        foreach (InstallationKind::cases() as $kind) {
            yield $kind->value => [$kind];
        }
    }

    #[Test]
    public function without_length_the_utility_arrives_whole(): void
    {
        $figures = new FaultFigures(new KnownFault(10.0, 1.5, 1.5), $this->generator());
        $faults = new SiteFaults($this->plan(InstallationKind::TwoPanels), $figures);
        self::assertEqualsWithDelta(15.0, $faults->elements['panel-a']->maxKa(), 0.01, 'line to neutral: half as much again');
        self::assertSame(['utility', 'gen'], array_keys($faults->elements['panel-a']->bySource));
        self::assertNotSame([], $faults->working);
    }

    #[Test]
    public function a_source_that_nobody_knows_leaves_the_verdict_open_and_the_drawing_alone(): void
    {
        $plan = $this->plan(InstallationKind::WholeHouse, ['panel_aic_ka' => 25.0]);
        $faults = new SiteFaults($plan, new FaultFigures(new KnownFault(10.0, 1.5, 1.5)));
        self::assertSame(FaultVerdict::NotKnown, $faults->elements['panel']->verdict(), 'the generator may give more');
        self::assertArrayNotHasKey('panel', $faults->known());
        self::assertSame([], (new SiteFaults($plan, new FaultFigures(null, $this->generator())))->known());
        $weak = $this->plan(InstallationKind::WholeHouse, ['panel_aic_ka' => 10.0]);
        $exceeded = new SiteFaults($weak, new FaultFigures(new KnownFault(10.0, 1.5, 1.5)));
        self::assertSame(FaultVerdict::Exceeded, $exceeded->elements['panel']->verdict(), 'too much is too much from one source alone');
    }

    #[Test]
    public function a_marked_series_combination_holds_what_the_panel_alone_does_not(): void
    {
        $plan = $this->plan(InstallationKind::WholeHouse, ['panel_aic_ka' => 10.0, 'series_ka' => 22.0]);
        $faults = new SiteFaults($plan, new FaultFigures(new KnownFault(12.0, 1.5, 1.5), $this->generator()));
        self::assertSame(FaultVerdict::Series, $faults->elements['panel']->verdict());
    }

    /** A long feeder makes a ten kiloampere panel sound: the drawing is judged with the figure at the panel, not at the utility. */
    #[Test]
    public function the_one_line_is_judged_with_the_figure_at_each_element(): void
    {
        $plan = $this->plan(InstallationKind::WholeHouse, ['panel_aic_ka' => 10.0], 12.0);
        $feeder = new FaultFeeder('ats', 'panel', new FaultRun('al', '4/0', 90.0));
        $faults = new SiteFaults($plan, new FaultFigures(new KnownFault(12.0, 1.5, 1.5), $this->generator(), [$feeder]));
        self::assertSame(FaultVerdict::Holds, $faults->elements['panel']->verdict());
        self::assertContains('interrupting-rating-exceeded panel', $this->found($plan));
        self::assertNotContains('interrupting-rating-exceeded panel', $this->found($plan->withFaults($faults)));
    }

    /** @param array<string, mixed> $survey */
    private function plan(InstallationKind $kind, array $survey = [], ?float $faultKa = null): SitePlan
    {
        return new SitePlan(new SitePlanInput(
            $kind,
            $kind->isThreePhase() ? 'three' : 'split',
            120.0,
            200,
            200,
            $kind->isAtService(),
            faultKa: $faultKa,
            declared: new Declared($kind, $survey),
        ));
    }

    private function generator(): GeneratorFault
    {
        return new GeneratorFault(25.0, 12.0, 18.0, 250.0, null, 0.02, 0.15, 0.05, 1.0);
    }

    /** @return list<string> */
    private function found(SitePlan $plan): array
    {
        $answer = TopologyCheck::of($plan->oneLine())->answer();

        return array_map(static fn(Finding $finding): string => "$finding->id $finding->at", $answer->findings);
    }

    #[Test, DataProvider('verdicts')]
    public function a_device_holds_what_it_is_rated_for_and_nothing_is_said_of_a_source_nobody_knows(
        ?float $maxKa,
        ?float $ratedKa,
        ?float $seriesKa,
        bool $isWhole,
        FaultVerdict $verdict,
    ): void {
        $points = $maxKa === null ? [] : ['utility' => self::point($maxKa / 2), 'gen' => self::point($maxKa)];
        $element = new FaultAtElement('panel', $points, $isWhole, $ratedKa, $seriesKa);
        self::assertSame($maxKa, $element->maxKa());
        self::assertSame($verdict, $element->verdict());
    }

    /** @return iterable<string, array{?float, ?float, ?float, bool, FaultVerdict}> */
    public static function verdicts(): iterable
    {
        yield 'as much as it is rated for' => [10.0, 10.0, null, true, FaultVerdict::Holds];
        yield 'more' => [10.1, 10.0, null, true, FaultVerdict::Exceeded];
        yield 'more, and a source is not known' => [10.1, 10.0, null, false, FaultVerdict::Exceeded];
        yield 'less, and a source is not known' => [9.0, 10.0, null, false, FaultVerdict::NotKnown];
        yield 'as much as the combination' => [22.0, 10.0, 22.0, true, FaultVerdict::Series];
        yield 'more than the combination' => [22.1, 10.0, 22.0, true, FaultVerdict::Exceeded];
        yield 'by the combination, and a source is not known' => [22.0, 10.0, 22.0, false, FaultVerdict::NotKnown];
        yield 'a combination that is not needed' => [10.0, 10.0, 22.0, true, FaultVerdict::Holds];
        yield 'no rating' => [10.0, null, null, true, FaultVerdict::NotKnown];
        yield 'no figure' => [null, 10.0, null, true, FaultVerdict::NotKnown];
    }

    private static function point(float $maxKa): FaultAtPoint
    {
        return new FaultAtPoint(
            'panel',
            'utility',
            rOhm: 0.01,
            xOhm: 0.01,
            xr: 1.0,
            llKa: null,
            lnKa: null,
            symKa: $maxKa,
            maxKa: $maxKa,
            tripKa: null,
            sustainedKa: null,
            ok: null,
            flags: [],
        );
    }
}
