<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\LoadItem;
use App\Models\Plan;
use App\Models\TransferSwitch;
use App\Stage\Plan\WiresPage;
use Escapement\Core\Input\Node;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Settings\Fuel;
use Escapement\Core\Wire\Calculations;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Tests\GuardsStatus;
use Tests\TestCase;

final class PlanTest extends TestCase
{
    use GuardsStatus;
    private const FACTS = ['neutral_switched' => '0', 'generator_bonded' => '1', 'panel_bonded' => '1', 'service_bonded' => '1'];

    #[Test, DataProvider('kinds')]
    public function every_kind_that_is_planned_has_a_one_line_in_every_position(InstallationKind $kind): void
    {
        $switch = $this->surveyed($kind);
        foreach (['normal', 'off', 'emergency'] as $on) {
            $page = (string) $this->get("/switches/$switch->id/plan?on=$on&still=1")->assertOk()->getContent();
            preg_match('#<svg class="one-line".*?</svg>#s', $page, $drawing);
            self::assertNotFalse(simplexml_load_string($drawing[0] ?? ''));
            self::assertSame($on !== 'off', str_contains($drawing[0] ?? '', 'class="fed"'), "loads fed with the switch on $on");
        }
        $json = $this->get("/switches/$switch->id/plan.json")->assertOk()->json();
        self::assertArrayHasKey('states', (new Calculations())->calc('topology', Node::fromArray($json['topology'])));
        self::assertArrayHasKey('actions', (new Calculations())->calc('bonding', Node::fromArray($json['bonding'])));
    }

    /** @return iterable<string, array{InstallationKind}> */
    public static function kinds(): iterable
    {
        foreach (InstallationKind::cases() as $kind) {
            yield $kind->value => [$kind];
        }
    }

    #[Test]
    public function the_drawing_for_paper_stands_alone_in_black_and_white(): void
    {
        $switch = $this->surveyed(InstallationKind::WholeHouse);
        $svg = (string) $this->get(
            "/switches/$switch->id/plan.svg?on=emergency",
        )->assertOk()->assertHeader('Content-Type', 'image/svg+xml')->getContent();
        $drawing = simplexml_load_string($svg) ?: self::fail('not an SVG');
        self::assertSame('http://www.w3.org/2000/svg', $drawing->getNamespaces()['']);
        self::assertStringNotContainsString('var(--', $svg, 'no colour from a page');
        self::assertStringContainsString('tube-gen', $svg);
        foreach (array_unique(array_map(
            static fn(\SimpleXMLElement $part): string => strtok((string) $part['class'], ' ') ?: '',
            $drawing->xpath('//*[@class]') ?: [],
        )) as $class) {
            self::assertTrue(
                in_array($class, ['', 'one-line', 'tube', 'el', 'bond', 'fed'], true) || str_contains($svg, ".$class"),
                "nothing says how a $class looks on paper",
            );
        }
    }

    #[Test]
    public function opening_the_service_shows_the_hazard_before_the_drawing(): void
    {
        $switch = $this->surveyed(InstallationKind::WholeHouse);
        $page = (string) $this->get("/switches/$switch->id/plan?open=q1")->assertOk()->getContent();
        self::assertLessThan(strpos($page, '<svg class="one-line"'), strpos($page, 'Its line side stays live from Utility'));
        self::assertStringContainsString('The generator can start by itself', $page);
        $this->get("/switches/$switch->id/plan?open=nonsense&on=up")->assertOk()->assertDontSee('is not dead');
    }

    #[Test]
    public function what_moves_follows_the_neutral_of_the_switch(): void
    {
        $switch = $this->surveyed(InstallationKind::WholeHouse);
        $this->put("/switches/$switch->id/plan", self::FACTS)->assertRedirect("/switches/$switch->id/plan");
        $this->get("/switches/$switch->id/plan")->assertSee('Remove the bonding jumper in the generator');
        $this->put("/switches/$switch->id/plan", ['neutral_switched' => '1'] + self::FACTS);
        $this->get("/switches/$switch->id/plan")->assertDontSee('Remove the bonding jumper in the generator')
            ->assertSee('Remove the bonding jumper in the panel');
        self::assertSame(1, Plan::query()->count(), 'one plan a switch');
    }

    #[Test]
    public function the_choice_is_kept_with_its_reason_beside_the_recommendation(): void
    {
        $switch = $this->surveyed(InstallationKind::WholeHouse);
        $this->get("/switches/$switch->id/plan")->assertSee('recommended')->assertSee('Heat pump');
        $this->put("/switches/$switch->id/plan", self::FACTS + ['choice' => 'whole', 'choice_reason' => 'The owner insists.']);
        $this->get("/switches/$switch->id/plan")->assertSee('chosen by')->assertSee('The owner insists.');
        $this->put(
            "/switches/$switch->id/plan",
            ['generator_breaker_a' => 'big', 'choice' => 'nothing'] + self::FACTS,
        )->assertSessionHasErrors(['generator_breaker_a', 'choice']);
        self::assertSame('whole', Plan::query()->firstOrFail()->choice, 'a refused form changes nothing');
    }

    #[Test]
    public function no_bond_is_moved_until_somebody_has_looked(): void
    {
        $switch = $this->surveyed(InstallationKind::WholeHouse);
        $this->get("/switches/$switch->id/plan")
            ->assertSee('Nothing is proposed yet')
            ->assertSee('the neutral of the switch')
            ->assertDontSee('Remove the bonding jumper');
        $this->put("/switches/$switch->id/plan", ['panel_bonded' => ''] + self::FACTS)->assertSessionHasNoErrors();
        $this->get("/switches/$switch->id/plan")->assertSee('the bond in the panel')->assertDontSee('Remove the bonding jumper');
        $this->put("/switches/$switch->id/plan", self::FACTS)->assertSessionHasNoErrors();
        $this->get("/switches/$switch->id/plan")->assertSee('Remove the bonding jumper in the panel')
            ->assertDontSee('Nothing is proposed yet');
    }

    #[Test]
    public function the_wires_are_proposed_then_kept_in_metres_and_computed(): void
    {
        $switch = $this->surveyed(InstallationKind::WholeHouse);
        $this->get("/switches/$switch->id/wires")->assertOk()->assertSee('Generator to transfer switch')->assertSee('The usual runs');
        $run = [
            'name' => 'Shed',
            'amps' => '40',
            'ocpd_a' => '50',
            'length' => '200',
            'material' => 'cu',
            'raceway' => 'pvc40',
            'trade_size' => '1',
        ];
        $this->put(
            "/switches/$switch->id/wires",
            ['runs' => [$run, ['name' => '', 'amps' => '', 'ocpd_a' => '', 'length' => '', 'material' => 'cu']]],
        )->assertRedirect("/switches/$switch->id/wires");
        $kept = Plan::query()->firstOrFail()->runs ?? [];
        self::assertCount(1, $kept, 'the empty line is left out');
        self::assertEqualsWithDelta($switch->site->units === 'metric' ? 200 : 60.96, $kept[0]['length_m'], 0.001);
        $drop = (new Calculations())->calc(
            'voltage_drop',
            Node::fromArray([
                'circuit' => 'split_phase',
                'v' => 240,
                'leg1_a' => 40,
                'leg2_a' => 40,
                'material' => 'cu',
                'size' => '8',
                'length_m' => $kept[0]['length_m'],
            ]),
        );
        $page = $this->get("/switches/$switch->id/wires")->assertDontSee('The usual runs');
        self::assertStringContainsString('8 Cu', self::words($page));
        self::assertStringContainsString(round($drop['drop_pct'], 1) . ' %', self::words($page));
    }

    #[Test]
    public function ahead_of_the_main_no_ground_is_run_and_the_raceway_is_emptier(): void
    {
        $switch = $this->surveyed(InstallationKind::WholeHouse);
        $run = [
            'name' => 'Service',
            'amps' => '160',
            'ocpd_a' => '200',
            'length' => '10',
            'material' => 'al',
            'raceway' => 'pvc40',
            'trade_size' => '2',
            'dwelling' => '1',
        ];
        $this->put(
            "/switches/$switch->id/wires",
            ['runs' => [$run + ['service' => '1'], ['name' => 'Feeder'] + $run]],
        )->assertSessionHasNoErrors();
        [$service, $feeder] = (new WiresPage($switch->refresh(), Plan::query()->firstOrFail()))->rows;
        self::assertNull($service->egc);
        self::assertNotNull($feeder->egc);
        self::assertLessThan($feeder->fillPct, $service->fillPct);
        self::assertSame($feeder->size, $service->size);
        $page = (string) $this->get("/switches/$switch->id/wires")->assertSee('by neutral')->getContent();
        self::assertSame(1, substr_count($page, 'id="finding-aluminium-connections"'), 'told once, with both runs');
        self::assertStringContainsString('<p class="told-of">Service, Feeder</p>', $page);
    }

    /**
     * @param array<string, string> $run
     * @param list<string>          $says
     * @param list<string>          $silent
     */
    #[Test, DataProvider('comparedRuns')]
    public function copper_and_aluminum_are_compared_as_the_run_is_laid(array $run, array $says, array $silent, string $raceway): void
    {
        $switch = $this->surveyed(InstallationKind::WholeHouse);
        $this->put("/switches/$switch->id/wires", ['runs' => [$run + [
            'name' => 'Run', 'from' => 'meter', 'to' => 'q1', 'amps' => '200', 'length' => '10', 'material' => 'cu', 'raceway' => 'pvc40',
        ]]])->assertSessionHasNoErrors();
        $row = (new WiresPage($switch->refresh(), Plan::query()->firstOrFail()))->rows[0];
        $ids = array_map(static fn($finding): string => $finding->id, $row->findings);
        self::assertSame([], array_diff($says, $ids));
        self::assertSame([], array_intersect($silent, $ids));
        self::assertSame($raceway, $row->feeder()?->tradeSize, 'what is packed and drawn');
        $this->get("/switches/$switch->id/wires")->assertOk();
    }

    /** @return iterable<string, array{array<string, string>, list<string>, list<string>, string}> */
    public static function comparedRuns(): iterable
    {
        $three = ['ocpd_a' => '225', 'trade_size' => '2'];
        yield 'a service without a ground fits, and is not said to fit in neither metal' => [
            ['service' => '1'] + $three, [], ['compare-nothing-fits', 'fill-over-limit'], '2',
        ];
        yield 'the next size fits both' => [['trade_size' => '3'] + $three, [], ['compare-nothing-fits', 'fill-over-limit'], '3'];
        yield 'a raceway too small is packed as large as it must be' => [
            ['trade_size' => '1'] + $three, ['compare-nothing-fits', 'fill-over-limit'], [], '2',
        ];
        yield 'parallel sets are not compared as one' => [
            ['sets' => '2', 'amps' => '380', 'ocpd_a' => '400', 'trade_size' => '2'],
            [], ['compare-nothing-fits', 'copper-goes-smaller'], '2',
        ];
    }

    /** @param array<string, string> $bad */
    #[Test, DataProvider('refusedRuns')]
    public function a_bad_line_of_the_wires_is_refused_at_its_field(array $bad, string $field): void
    {
        $switch = $this->surveyed(InstallationKind::WholeHouse);
        $run = $bad + [
            'name' => 'Shed',
            'amps' => '40',
            'ocpd_a' => '50',
            'length' => '61.5',
            'material' => 'cu',
            'raceway' => 'pvc40',
            'trade_size' => '1',
        ];
        $this->from("/switches/$switch->id/wires")->put(
            "/switches/$switch->id/wires",
            ['runs' => [$run]],
        )->assertSessionHasErrors("runs.0.$field");
        $this->get("/switches/$switch->id/wires")->assertSee('class="field-error"', false)->assertSee($field === 'name' ? '61.5' : 'Shed');
        self::assertSame(0, Plan::query()->count());
    }

    /** @return iterable<string, array{array<string, string>, string}> */
    public static function refusedRuns(): iterable
    {
        yield 'no name, but figures' => [['name' => ''], 'name'];
        yield 'length in words' => [['length' => 'long'], 'length'];
        yield 'no amps' => [['amps' => '0'], 'amps'];
        yield 'a breaker no table knows' => [['ocpd_a' => '5000'], 'ocpd_a'];
        yield 'a trade size nobody sells' => [['trade_size' => '7'], 'trade_size'];
    }

    private function surveyed(InstallationKind $kind): TransferSwitch
    {
        $switch = $this->switchOf($this->signIn(), $kind);
        $switch->update(['fuel' => Fuel::Lp, 'rated_kw' => ['lp' => 12]]);
        foreach ([
            ['Always on', 1.2, true, false],
            ['Well pump', 1.5, true, false],
            ['Heat pump', 5, false, true],
            ['Range', 8, false, true],
        ] as $place => [$name, $kw, $mustRun, $shed]) {
            LoadItem::query()->create([
                'company_id' => $switch->company_id,
                'switch_id' => $switch->id,
                'place' => $place,
                'name' => $name,
                'kw' => $kw,
                'priority' => $place + 1,
                'must_run' => $mustRun,
                'shed' => $shed,
                'start_kva' => $name === 'Heat pump' ? 9 : 0, 'compressor' => $name === 'Heat pump',
            ]);
        }

        return $switch;
    }
}
