<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Bridge\LoadTestFacts;
use App\Bridge\ProofFromRuns;
use App\Models\LoadReading;
use App\Models\LoadTest;
use App\Models\TransferSwitch;
use App\Models\Upkeep;
use Escapement\Core\Commissioning\Proof\PartStanding;
use Escapement\Core\Commissioning\Proof\PartState;
use Escapement\Core\Commissioning\Proof\ProofPart;
use Escapement\Core\Plant\InstallationKind;
use Illuminate\Support\Carbon;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

/** A load test from its plan to its verdict. */
final class LoadTestTest extends TestCase
{
    protected function tearDown(): void
    {
        Carbon::setTestNow();
        parent::tearDown();
    }

    #[Test, DataProvider('kinds')]
    public function every_type_plans_a_test_or_says_why_it_has_none(InstallationKind $kind): void
    {
        $switch = $this->switchOf($this->signIn(), $kind);
        $page = "/switches/$switch->id/load-tests";
        $this->get($page)->assertOk()->assertSee($kind->hasGenerator() ? 'The fuel is not known' : 'no generator to test');
        if (! $kind->hasGenerator()) {
            $this->post($page, ['profile' => 'quarterly_house'])->assertStatus(409);

            return;
        }
        $switch->update(['fuel' => 'diesel', 'rated_kw' => ['diesel' => 20], 'rating_a' => 100]);
        $this->get($page)->assertOk()->assertSee('Plan a test')->assertSeeText('utility and generator both isolated');
        $this->post($page, ['profile' => 'semi_annual', 'bank_elements' => '5, 5, 5', 'use_building' => '1'])->assertSessionHasNoErrors();
        $test = LoadTest::query()->firstOrFail();
        $this->get("/load-tests/$test->id")->assertOk()->assertSee('#1 5 kW')->assertSee('Read now')
            ->assertSeeText('utility still feeds the load side')->assertSeeText('utility and generator both isolated');
        $this->get("/load-tests/$test->id/plan.pdf")->assertOk()->assertHeader('Content-Type', 'application/pdf');
    }

    /** @return iterable<string, array{InstallationKind}> */
    public static function kinds(): iterable
    {
        foreach (InstallationKind::cases() as $kind) {
            yield $kind->value => [$kind];
        }
    }

    #[Test]
    public function an_inverter_has_no_load_test(): void
    {
        $switch = $this->planned();
        $switch->update(['fuel' => 'battery', 'rated_kw' => ['battery' => 3]]);
        $this->get("/switches/$switch->id/load-tests")->assertSee('An inverter has no load test')->assertDontSee('Plan the test');
    }

    /** @param array<string, string> $typed */
    #[Test, DataProvider('faults')]
    public function what_cannot_be_planned_is_said_at_its_field_and_kept(array $typed, string $field): void
    {
        $switch = $this->planned();
        $page = "/switches/$switch->id/load-tests";
        $this->from($page)->post($page, $typed + ['profile' => 'semi_annual'])->assertSessionHasErrors($field);
        self::assertSame(0, LoadTest::query()->count());
        if ($field !== 'profile') { // a choice that is none is not offered again
            $this->get($page)->assertSee(e($typed[$field] ?? ''), false);
        }
    }

    /** @return iterable<string, array{array<string, string>, string}> */
    public static function faults(): iterable
    {
        yield 'no such profile' => [['profile' => 'royal'], 'profile'];
        yield 'own steps in prose' => [['profile' => 'custom', 'steps' => 'half an hour flat out'], 'steps'];
        yield 'own steps beyond reason' => [['profile' => 'custom', 'steps' => '300 x 5'], 'steps'];
        yield 'elements in words' => [['bank_elements' => '5, many'], 'bank_elements'];
        yield 'an element of nothing' => [['bank_elements' => '5 0'], 'bank_elements'];
        yield 'a reading each blink' => [['reading_interval_min' => '0.0001'], 'reading_interval_min'];
        yield 'a class of minutes' => [['profile' => 'triennial', 'class_min' => '5'], 'class_min'];
        yield 'a negative building' => [['building_kw' => '-4'], 'building_kw'];
    }

    #[Test]
    public function readings_prove_their_levels_once_each_and_a_struck_one_no_longer_counts(): void
    {
        $switch = $this->planned();
        $this->post("/switches/$switch->id/load-tests", ['profile' => 'custom', 'steps' => '50 × 20', 'building_kw' => '10'])
            ->assertSessionHasNoErrors();
        $test = LoadTest::query()->firstOrFail();
        $page = "/load-tests/$test->id";
        Carbon::setTestNow('2026-11-26 15:00:00');
        $first = $this->reading('09:00');
        $this->post("$page/readings", $first)->assertSessionHasNoErrors();
        $this->post("$page/readings", $first)->assertSessionHasNoErrors();
        self::assertSame(1, LoadReading::query()->count(), 'sent twice, kept once');
        $this->post("$page/readings", $this->reading('09:00'))->assertSessionHasErrors('time');
        $this->post("$page/readings", ['hz' => 'sixty'] + $this->reading('09:10'))->assertSessionHasErrors('hz');
        foreach (['09:10', '09:20'] as $time) {
            $this->post("$page/readings", $this->reading($time))->assertSessionHasNoErrors();
        }
        $this->get($page)->assertSee('Pass so far')->assertSee('Held for 20 min');
        $middle = LoadReading::query()->orderBy('taken_at')->skip(1)->firstOrFail();
        $this->delete("$page/readings/$middle->id", ['why' => ''])->assertSessionHasErrors('why');
        $this->delete("$page/readings/$middle->id", ['why' => 'the clamp was open'])->assertSessionHasNoErrors();
        $this->get($page)->assertSee('struck out: the clamp was open')->assertSee('Pass so far');
        $this->get("$page/readings.csv")->assertOk()->assertSee('the clamp was open');
        $this->get("$page/plan.csv")->assertOk()->assertSee('level_pct,from_s,to_s');
    }

    #[Test]
    public function a_closed_test_keeps_its_verdict_and_takes_nothing_more(): void
    {
        $switch = $this->planned();
        $this->post("/switches/$switch->id/load-tests", ['profile' => 'custom', 'steps' => '50 × 20', 'planned_for' => '2026-12-01T09:00']);
        $test = LoadTest::query()->firstOrFail();
        $page = "/load-tests/$test->id";
        self::assertSame('2026-12-01 14:00', $test->planned_for?->format('Y-m-d H:i'), 'New York, in UTC');
        $this->get("$page/date.ics")->assertOk()->assertSee('DTSTART:20261201T140000Z');
        $this->post("$page/close", ['name' => 'Ana Quist'])->assertSessionHasErrors('name');
        Carbon::setTestNow('2026-11-26 15:00:00');
        $this->post("$page/readings", $this->reading('09:00'));
        $this->post("$page/readings", $this->reading('09:20'));
        $this->post("$page/close", ['name' => 'Ana Quist'])->assertSessionHasNoErrors();
        self::assertSame('pass', $test->refresh()->verdict);
        $this->post("$page/readings", $this->reading('09:30'))->assertStatus(409);
        $this->post("$page/close", ['name' => 'Somebody else']);
        self::assertSame('Ana Quist', $test->refresh()->closed_by);
        $this->get("/switches/$switch->id/load-tests")->assertSee('pass,');
        $this->get('/')->assertOk()->assertSee('Fern Hill 3');
    }

    #[Test]
    public function what_is_typed_in_the_units_of_the_site_is_kept_in_metric(): void
    {
        $switch = $this->planned();
        $this->post("/switches/$switch->id/load-tests", ['profile' => 'quarterly_house']);
        $test = LoadTest::query()->firstOrFail();
        $this->post("/load-tests/$test->id/readings", $this->reading('08:00'))->assertSessionHasNoErrors();
        $reading = LoadReading::query()->firstOrFail();
        self::assertSame([344.7, 85.0], [$reading->oil_kpa, $reading->coolant_c]);
        $this->get("/load-tests/$test->id")->assertSee("50\u{202F}psi")->assertSee("185\u{202F}°F");
    }

    #[Test]
    public function what_is_due_follows_the_school_and_only_passed_runs_count(): void
    {
        Carbon::setTestNow('2026-11-26 15:00:00');
        $switch = $this->planned();
        $page = "/switches/$switch->id/load-tests";
        $this->get($page)->assertSee('What is due')->assertSee('finding-never-load-tested', false)->assertSee('Load bank');
        $test = [
            'company_id' => $switch->company_id, 'switch_id' => $switch->id, 'user_id' => $switch->sheet?->user_id,
            'profile' => 'semi_annual', 'closed_by' => 'Ana', 'result' => [],
            'plan' => ['profile' => 'semi_annual', 'nameplate_kw' => 20, 'fuel' => 'diesel', 'bank_elements_kw' => [5]],
        ];
        LoadTest::query()->create($test + ['closed_at' => '2026-11-01 12:00:00', 'verdict' => 'fail']);
        $this->get($page)->assertSee('finding-never-load-tested', false)->assertSee('finding-last-run-failed', false);
        LoadTest::query()->create($test + ['closed_at' => '2026-11-20 12:00:00', 'verdict' => 'pass']);
        $this->get($page)->assertDontSee('finding-never-load-tested', false)->assertSee('2027-11-20');
        $this->get("$page?school=annual")->assertOk()->assertDontSee('2027-11-20')->assertSee('every 12 months');
        $this->get("$page?school=royal")->assertOk()->assertSee('every 3 months');
    }

    #[Test]
    public function tests_of_the_past_make_a_trend_and_only_like_ones_are_compared(): void
    {
        $switch = $this->planned();
        $page = "/switches/$switch->id/load-tests";
        foreach ([2022 => 380, 2023 => 350, 2024 => 320, 2025 => 290] as $year => $oil) {
            LoadTest::query()->create([
                'company_id' => $switch->company_id, 'switch_id' => $switch->id, 'user_id' => $switch->sheet?->user_id,
                'profile' => 'semi_annual', 'plan' => ['profile' => 'semi_annual', 'nameplate_kw' => 20, 'fuel' => 'diesel'],
                'closed_at' => "$year-10-01 12:00:00", 'closed_by' => 'Ana', 'verdict' => 'pass',
                'result' => ['at_top' => ['load_pct' => 75, 'oil_kpa' => $oil, 'coolant_c' => 88], 'regulation_pct' => 1.0],
            ]);
        }
        $this->get($page)->assertOk()->assertSee('Over the years')->assertSee('worsening')->assertSee('Crosses its limit')
            ->assertSee('finding-worsening', false)->assertSee('aria-label="Oil pressure: Falls 4.3 psi a year (4 tests', false);
        $switch->site->update(['units' => 'metric']);
        $this->get($page)->assertSee('aria-label="Oil pressure: Falls 30 kPa a year (4 tests', false);
        LoadTest::query()->orderBy('id')->firstOrFail()->update(['plan' => ['fuel' => 'lp']]);
        $this->get($page)->assertDontSee('finding-worsening', false)->assertSee('finding-not-comparable', false);
    }

    #[Test]
    public function readings_of_a_phone_arrive_once_and_what_two_people_read_at_once_is_kept_and_said(): void
    {
        $switch = $this->planned();
        $this->post("/switches/$switch->id/load-tests", ['profile' => 'semi_annual', 'bank_elements' => '5, 5', 'use_building' => '1']);
        $test = LoadTest::query()->firstOrFail();
        $phases = (new LoadTestFacts($switch->fresh(['site', 'loads', 'plan']) ?? $switch))->phases();
        $reading = static fn(string $at, array $more = []): array => $more + [
            'id' => (string) Str::uuid(), 'taken_at' => $at, 'v' => array_fill(0, $phases, 120), 'a' => array_fill(0, $phases, 40),
            'hz' => 60.1, 'oil' => 58,
        ];
        Carbon::setTestNow('2026-11-26T10:00:00Z');
        $first = $reading('2026-11-26T09:00:00.000Z');
        $page = "/load-tests/$test->id/readings/batch";
        foreach ([1, 2] as $ignored) { // the answer was lost on its way back
            $this->postJson($page, ['readings' => [$first]])->assertOk()->assertJson(['kept' => [$first['id']], 'refused' => []]);
        }
        self::assertSame(1, LoadReading::query()->count());
        self::assertEqualsWithDelta(399.9, LoadReading::query()->firstOrFail()->oil_kpa, 0.1); // psi on a US site

        $second = $reading('2026-11-26T09:00:12.000Z');
        $bad = $reading('2026-11-26T09:05:00.000Z', ['hz' => 'fast']);
        $early = $reading('2026-11-26T11:00:00.000Z');
        $answer = $this->postJson($page, ['readings' => [$second, $bad, 'nonsense', $early]])->assertOk();
        self::assertSame([$second['id']], $answer->json('kept'));
        self::assertCount(3, $answer->json('refused'));
        self::assertStringContainsString('Read twice', (string) LoadReading::query()->whereKey($second['id'])->value('struck_why'));
        self::assertCount(1, $answer->json('taken'));
        $this->get("/load-tests/$test->id/read")->assertOk()->assertSee('Read with all covers on');
        $this->postJson($page, ['readings' => 'many'])->assertUnprocessable();
        $this->post("/load-tests/$test->id/close");
        LoadTest::query()->update(['closed_at' => now()]);
        $this->postJson($page, ['readings' => [$reading('2026-11-26T09:30:00.000Z')]])->assertConflict();
    }

    #[Test]
    public function a_closed_test_proves_its_part_until_what_it_rests_on_is_changed(): void
    {
        $switch = $this->planned();
        $part = static fn(): ?PartStanding => ProofFromRuns::standing(TransferSwitch::query()->findOrFail($switch->id))
            ->part(ProofPart::LoadTest);
        self::assertSame(PartState::NotAsked, $part()?->state, 'no school was chosen');
        Upkeep::query()->create(['company_id' => $switch->company_id, 'switch_id' => $switch->id, 'user_id' => auth()->id()]);
        self::assertSame(PartState::Open, $part()?->state);
        $this->post("/switches/$switch->id/load-tests", ['profile' => 'custom', 'steps' => '50 × 20'])->assertSessionHasNoErrors();
        $test = LoadTest::query()->firstOrFail();
        Carbon::setTestNow('2026-11-26 15:00:00');
        foreach (['09:00', '09:10', '09:20'] as $time) {
            $this->post("/load-tests/$test->id/readings", $this->reading($time))->assertSessionHasNoErrors();
        }
        self::assertSame(PartState::Open, $part()?->state, 'what runs proves nothing');
        $this->post("/load-tests/$test->id/close", ['name' => 'Ana Quist'])->assertSessionHasNoErrors();
        self::assertSame(PartState::Proved, $part()?->state, implode('; ', $part()->because ?? []));
        $switch->update(['rated_kw' => ['diesel' => 30]]);
        self::assertSame(PartState::Stale, $part()?->state);
        $this->get('/')->assertOk();
        $this->get("/sites/$switch->site_id")->assertOk();
        $switch->update(['rated_kw' => ['diesel' => 20]]);
        LoadTest::query()->update(['verdict' => 'fail']);
        self::assertSame(PartState::Failed, $part()?->state);
    }

    #[Test]
    public function the_school_that_is_kept_for_the_switch_is_the_one_that_is_shown(): void
    {
        $switch = $this->planned();
        Upkeep::query()->create([
            'company_id' => $switch->company_id, 'switch_id' => $switch->id, 'user_id' => auth()->id(), 'school' => 'annual',
        ]);
        $page = (string) $this->get("/switches/$switch->id/load-tests")->assertOk()->getContent();
        self::assertMatchesRegularExpression('/school=annual"\s+aria-current="true"/', $page);
        $page = (string) $this->get("/switches/$switch->id/load-tests?school=critical")->getContent();
        self::assertMatchesRegularExpression('/school=critical"\s+aria-current="true"/', $page);
    }

    private function planned(): TransferSwitch
    {
        $switch = $this->switchOf($this->signIn());
        $switch->update(['fuel' => 'diesel', 'rated_kw' => ['diesel' => 20], 'rating_a' => 100]);

        return $switch;
    }

    /** @return array<string, mixed> */
    private function reading(string $time): array
    {
        return [
            'id' => (string) Str::uuid(), 'time' => $time, 'v' => ['120', '119.5'], 'a' => ['46', '45'], 'hz' => '60', 'kw' => '10.9',
            'oil' => '50', 'coolant' => '185',
        ];
    }
}
