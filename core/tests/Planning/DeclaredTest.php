<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Planning;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Planning\Declared;
use Escapement\Core\Planning\SitePlan;
use Escapement\Core\Planning\SitePlanInput;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Topology\Element;
use Escapement\Core\Topology\TopologyCheck;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What a survey declares reaches the drawing, and is judged there. */
final class DeclaredTest extends TestCase
{
    /**
     * @param array<string, mixed> $survey
     * @param array<string, mixed> $more   of the input
     */
    #[Test, DataProvider('declarations')]
    public function a_declaration_is_judged_on_the_one_line(string $kind, array $survey, string $finding, array $more = []): void
    {
        self::assertNotContains($finding, $this->found($kind, [], $more), 'nothing is said about what was not asked');
        self::assertContains($finding, $this->found($kind, $survey, $more));
    }

    /** @return iterable<string, array{0: string, 1: array<string, mixed>, 2: string, 3?: array<string, mixed>}> */
    public static function declarations(): iterable
    {
        $emergency = ['system_class' => 'emergency'];
        yield 'not listed' => ['K8', $emergency + ['listed' => 'no'], 'not-listed-for-class stop'];
        yield 'not listed, optional' => ['K1', ['system_class' => 'optional', 'listed' => 'no'], 'not-listed-for-class warn'];
        yield 'held by its coil' => ['K8', $emergency + ['electrically_held' => 'yes'], 'electrically-held-not-allowed stop'];
        yield 'start circuit' => ['K9', $emergency + ['start_circuit_supervised' => 'no'], 'start-circuit-unsupervised stop'];
        yield 'a plug-in box for an emergency system' => ['K4', $emergency, 'not-automatic-for-class stop'];
        yield 'facts that are open' => ['K9', $emergency, 'class-facts-open note'];
        yield 'closed transition' => ['K9', ['transition' => 'closed'], 'closed-transition-no-agreement stop'];
        yield 'no marking' => ['K3', ['rating_marked' => 'no'], 'switch-marking-missing warn', ['withstandKa' => 22.0]];
        yield 'the wrong breaker ahead' => [
            'K1',
            ['withstand_basis' => 'listed_device', 'withstand_device_ok' => 'no'],
            'withstand-device-wrong stop',
            ['withstandKa' => 22.0],
        ];
        yield 'ten kiloampere breakers on a strong service' => [
            'K1',
            ['panel_aic_ka' => 10.0],
            'interrupting-rating-exceeded stop',
            ['faultKa' => 22.0],
        ];
        yield 'a series combination' => [
            'K2',
            ['panel_aic_ka' => 10.0, 'series_ka' => 22.0, 'service_aic_ka' => 22.0],
            'series-rating-used note',
            ['faultKa' => 22.0],
        ];
        yield 'a weak main' => ['K2', ['service_aic_ka' => 10.0], 'interrupting-rating-exceeded stop', ['faultKa' => 22.0]];
        yield 'no emergency stop' => ['K10', ['emergency_stop' => 'no'], 'generator-emergency-stop-missing warn'];
        yield 'no emergency disconnect' => [
            'K1',
            ['dwelling' => 'yes', 'emergency_disconnect' => 'no'],
            'emergency-disconnect-missing warn',
        ];
        yield 'no surge device' => ['K2', ['dwelling' => 'yes', 'surge_device' => 'no'], 'surge-device-missing warn'];
        yield 'no sign' => ['K9', ['source_sign' => 'no'], 'source-sign-missing warn'];
        yield 'no room to work' => ['K1', ['clearance' => 'no'], 'working-space-short stop'];
        yield 'a release that is not there yet' => ['K3', ['inspection' => 'yes'], 'inspection-release-open warn'];
        yield 'ground-fault protection on 480 V' => [
            'K9',
            ['gfp' => 'no'],
            'gfp-required stop',
            ['vLn' => 277.0, 'serviceA' => 1200],
        ];
    }

    #[Test]
    public function a_release_that_is_there_or_not_required_leaves_nothing_open(): void
    {
        foreach (['released', 'no'] as $answer) {
            self::assertNotContains('inspection-release-open warn', $this->found('K1', ['inspection' => $answer]));
            self::assertTrue((new Declared(InstallationKind::WholeHouse, ['inspection' => $answer]))->fact('inspection_release'));
        }
        self::assertNull((new Declared(InstallationKind::WholeHouse, []))->fact('inspection_release'));
    }

    #[Test]
    public function what_another_answer_has_made_moot_is_not_judged(): void
    {
        $survey = ['system_class' => 'optional', 'electrically_held' => 'yes', 'utility_agreement' => 'no'];
        self::assertNull((new Declared(InstallationKind::MotorDriven, $survey))->fact('electrically_held'));
        self::assertNotContains('electrically-held-not-allowed stop', $this->found('K9', $survey));
    }

    #[Test]
    public function a_vehicle_has_no_service_to_declare(): void
    {
        self::assertNull((new Declared(InstallationKind::Mobile50, ['clearance' => 'no']))->ofService());
    }

    /**
     * @param array<string, mixed> $survey
     * @param array<string, mixed> $more
     *
     * @return list<string>
     */
    private function found(string $kind, array $survey, array $more = []): array
    {
        $type = InstallationKind::from($kind);
        $input = ['kind' => $type, 'system' => $type->isThreePhase() ? 'three' : 'split', 'vLn' => 120.0, 'serviceA' => 200,
            'isServiceRated' => $type->isAtService(), 'declared' => new Declared($type, $survey)];
        $plan = new SitePlan(new SitePlanInput(...array_merge($input, $more)));
        $answer = TopologyCheck::of($plan->oneLine())->answer();

        return array_map(static fn(Finding $finding): string => "$finding->id {$finding->severity->value}", $answer->findings);
    }

    /** @param array{?float, ?float, ?float} $ratings of the element, its main, a series combination */
    #[Test, DataProvider('rated')]
    public function a_rating_belongs_to_the_device_it_was_read_on(Element $element, array $ratings, ?bool $gfp): void
    {
        $declared = new Declared(InstallationKind::ContactorGenerator, [
            'service_aic_ka' => 42.0, 'panel_aic_ka' => 10.0, 'series_ka' => 22.0, 'gfp' => 'yes',
        ]);
        $is = $declared->ratings($element);
        self::assertSame($ratings, [$is->aicKa, $is->mainAicKa, $is->seriesKa]);
        self::assertSame($gfp, $declared->groundFaultProtection($element));
    }

    /** @return iterable<string, array{Element, array{?float, ?float, ?float}, ?bool}> */
    public static function rated(): iterable
    {
        yield 'a switch without a main' => [new Element('ats', 'switch'), [null, null, null], null];
        yield 'a switch with one' => [new Element('ats', 'switch', mainA: 200), [null, 42.0, null], true];
        yield 'a panel of lugs' => [new Element('panel', 'panel'), [10.0, null, 22.0], null];
        yield 'a panel with a main' => [new Element('panel', 'panel', mainA: 200), [10.0, 10.0, 22.0], null];
        yield 'a service panel' => [new Element('main', 'panel', mainA: 200, isService: true), [10.0, 42.0, 22.0], true];
        yield 'the service disconnect' => [new Element('q1', 'disconnect', isService: true), [42.0, null, null], true];
        yield 'another disconnect' => [new Element('md', 'disconnect'), [null, null, null], null];
        yield 'a source' => [new Element('gen', 'source', 'generator'), [null, null, null], null];
    }

    #[Test]
    public function a_series_combination_without_the_panels_own_rating_is_none(): void
    {
        $declared = new Declared(InstallationKind::ContactorGenerator, ['series_ka' => 22.0]);
        self::assertNull($declared->ratings(new Element('panel', 'panel'))->seriesKa);
    }
}
