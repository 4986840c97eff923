<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Http\Seen;
use App\Models\Plan;
use App\Models\TransferSwitch;
use App\Stage\Survey\LoadLines;
use App\Stage\Survey\SurveyForm;
use Escapement\Core\Survey\Subject;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

/** Two tabs, or two people: what each has changed is kept, and where both have, both are shown. */
final class TwoPeopleTest extends TestCase
{
    #[Test]
    public function a_page_of_the_survey_is_kept_whole(): void
    {
        $switch = $this->switchOf($this->signIn());
        $site = [
            'name' => 'Fern Hill 3', 'timezone' => 'America/New_York', 'units' => 'us', 'installation' => 'K1',
            'address' => 'Fern Hill 3', 'service_a' => '200', 'altitude' => '600', 'owner' => 'Ida Fern',
        ];
        $this->put(
            "/switches/$switch->id/survey/service",
            $site + ['answers' => ['upstream' => 'disconnect', 'slack_m' => '2'], 'next' => '1'],
        )->assertSessionHasNoErrors()->assertRedirectContains('on=panels');
        $kept = $switch->refresh();
        self::assertSame(['Fern Hill 3', 200, 'Ida Fern'], [$kept->site->address, $kept->site->service_a, $kept->site->owner]);
        self::assertSame('disconnect', $kept->survey['upstream'] ?? null);

        $this->put(
            "/switches/$switch->id/survey/service",
            ['service_a' => 'many'] + $site + ['answers' => ['slack_m' => '3']],
        )->assertSessionHasErrors('service_a');
        self::assertSame(0.61, $switch->refresh()->survey['slack_m'] ?? null, 'together or not at all');
    }

    #[Test]
    public function the_second_tab_keeps_what_the_first_has_changed(): void
    {
        $switch = $this->switchOf($this->signIn());
        $tab = $this->tab($switch, Subject::Service);
        $this->put("/switches/$switch->id/survey/service", ['address' => 'North gate'] + $tab)->assertSessionHasNoErrors();
        $this->put("/switches/$switch->id/survey/service", ['owner' => 'Ida Fern'] + $tab)->assertSessionHasNoErrors();
        $site = $switch->refresh()->site;
        self::assertSame(['North gate', 'Ida Fern'], [$site->address, $site->owner]);

        $this->put("/switches/$switch->id/survey/service", ['address' => 'South gate'] + $tab)->assertSessionHasErrors('address');
        self::assertSame('North gate', $site->refresh()->address, 'both have written: nothing is replaced unseen');
        $again = session('_old_input');
        self::assertSame('South gate', $again['address']);
        $this->put("/switches/$switch->id/survey/service", $again)->assertSessionHasNoErrors();
        self::assertSame('South gate', $site->refresh()->address);
    }

    #[Test]
    public function answers_given_at_once_on_two_pages_are_both_kept(): void
    {
        $switch = $this->switchOf($this->signIn());
        $place = $this->tab($switch, Subject::Place);
        $service = $this->tab($switch, Subject::Service);
        $this->put("/switches/$switch->id/survey/place", ['answers' => ['co_alarms' => 'yes']] + $place)->assertSessionHasNoErrors();
        $this->put(
            "/switches/$switch->id/survey/service",
            ['answers' => ['upstream' => 'disconnect']] + $service,
        )->assertSessionHasNoErrors();
        self::assertSame(['yes', 'disconnect'], [$switch->refresh()->survey['co_alarms'] ?? null, $switch->survey['upstream'] ?? null]);
    }

    /**
     * @param list<array<string, mixed>> $first  what one saves
     * @param list<array<string, mixed>> $second what the other saves, begun with the same list
     * @param array<string, float>       $kept   by name
     */
    #[Test, DataProvider('lists')]
    public function lists_of_loads_are_merged_line_by_line(array $first, array $second, array $kept, ?string $asked): void
    {
        $switch = $this->switchOf($this->signIn());
        $begin = [self::load('Range', 8), self::load('Pump', 1.5)];
        $this->put("/switches/$switch->id/loads", ['loads' => $begin])->assertSessionHasNoErrors();
        $was = ['was' => json_encode(LoadLines::kept($switch->refresh()), JSON_THROW_ON_ERROR)];
        $this->put("/switches/$switch->id/loads", ['loads' => $first] + $was)->assertSessionHasNoErrors();
        $answer = $this->put("/switches/$switch->id/loads", ['loads' => $second] + $was);
        $asked === null ? $answer->assertSessionHasNoErrors() : $answer->assertSessionHasErrors($asked);
        self::assertEquals($kept, $switch->loads()->pluck('kw', 'name')->map(static fn(mixed $kw): float => (float) $kw)->all());
    }

    /** @return iterable<string, array{list<array<string, mixed>>, list<array<string, mixed>>, array<string, float>, ?string}> */
    public static function lists(): iterable
    {
        $range = self::load('Range', 8);
        $pump = self::load('Pump', 1.5);
        yield 'each adds one' => [
            [$range, $pump, self::load('Dryer', 5)], [$range, $pump, self::load('Lights', 1)],
            ['Range' => 8, 'Pump' => 1.5, 'Lights' => 1, 'Dryer' => 5], null,
        ];
        yield 'one changes, the other takes out another' => [[self::load('Range', 9), $pump], [$range], ['Range' => 9], null];
        yield 'both change the same' => [
            [self::load('Range', 9), $pump], [self::load('Range', 10), $pump], ['Range' => 9, 'Pump' => 1.5], 'loads.0.name',
        ];
        yield 'one changes what the other takes out' => [[self::load('Range', 9), $pump], [$pump], ['Range' => 9, 'Pump' => 1.5], 'loads'];
        yield 'both take out' => [[$pump], [$pump], ['Pump' => 1.5], null];
    }

    #[Test]
    public function a_cleared_name_takes_a_load_out_and_a_slip_of_the_pen_is_asked_back(): void
    {
        $switch = $this->switchOf($this->signIn());
        $this->put(
            "/switches/$switch->id/loads",
            ['loads' => [self::load('Range', 8), self::load('Pump', 1.5)]],
        )->assertSessionHasNoErrors();
        $was = ['was' => json_encode(LoadLines::kept($switch->refresh()), JSON_THROW_ON_ERROR)];
        $this->put(
            "/switches/$switch->id/loads",
            ['loads' => [self::load('', 8), self::load('Pump', 1.5)]] + $was,
        )->assertSessionHasNoErrors();
        self::assertSame(['Pump'], $switch->loads()->pluck('name')->all());
        $this->put("/switches/$switch->id/loads", ['loads' => [self::load('Pump', 3500)]])->assertSessionHasErrors(['loads.0.kw', 'sure']);
        $this->put("/switches/$switch->id/loads", ['loads' => [self::load('Pump', 3500)], 'sure' => '1'])->assertSessionHasNoErrors();
        $this->put("/switches/$switch->id/loads", ['loads' => [['kw' => '3,5'] + self::load('Pump', 1)]])->assertSessionHasNoErrors();
        self::assertEquals(3.5, $switch->loads()->sole()->kw);
        $this->put(
            "/switches/$switch->id/loads",
            ['loads' => [['kw' => '1,200'] + self::load('Pump', 1)]],
        )->assertSessionHasErrors('loads.0.kw');
    }

    #[Test]
    public function a_plan_that_was_saved_meanwhile_is_told_once(): void
    {
        $switch = $this->switchOf($this->signIn());
        $seen = Seen::stamp(null);
        $this->put("/switches/$switch->id/mobile", ['seen' => $seen, 'chemistry' => 'lfp'])->assertSessionHasNoErrors();
        $plan = Plan::query()->sole();
        $plan->update(['mobile' => ['cord_a' => 30]]);
        $this->put("/switches/$switch->id/mobile", ['seen' => $seen, 'chemistry' => 'lfp'])->assertSessionHasErrors('seen');
        self::assertSame(['cord_a' => 30], $plan->refresh()->mobile);
        $this->put("/switches/$switch->id/mobile", session('_old_input'))->assertSessionHasNoErrors();
        self::assertNotSame(['cord_a' => 30], $plan->refresh()->mobile);
    }

    #[Test]
    public function a_height_keeps_its_place_when_the_units_change(): void
    {
        $switch = $this->switchOf($this->signIn());
        $switch->site->update(['altitude_m' => 182.9]);
        $tab = $this->tab($switch, Subject::Service);
        self::assertSame('600', $tab['altitude']);
        $this->put("/switches/$switch->id/survey/service", ['units' => 'metric'] + $tab)->assertSessionHasNoErrors();
        self::assertEqualsWithDelta(182.9, (float) $switch->site->refresh()->altitude_m, 0.01);
    }

    #[Test]
    public function a_sheet_is_left_against_a_stop_only_with_a_reason_and_83_hours_are_asked_back(): void
    {
        $switch = $this->switchOf($this->signIn());
        $page = (string) $this->get("/switches/$switch->id/settings")->getContent();
        preg_match_all(
            '#<input[^>]*name="(f\[[^"]+\])"[^>]*value="([^"]*)"|<input[^>]*value="([^"]*)"[^>]*name="(f\[[^"]+\])"#',
            $page,
            $found,
            PREG_SET_ORDER,
        );
        $form = [];
        foreach ($found as $one) {
            $form[substr(
                html_entity_decode($one[1] !== '' ? $one[1] : $one[4]),
                2,
                -1,
            )] = html_entity_decode($one[1] !== '' ? $one[2] : $one[3]);
        }
        $form += ['/transition' => $switch->sheet->settings['transition'] ?? 'open'];
        $send = fn(array $f, array $more = []) => $this->post(
            "/switches/$switch->id/settings",
            $more + ['seen_version' => (string) $switch->sheets()->max('version'), 'standing' => 'as_left', 'f' => $f + $form],
        );
        $send(['/return_delay_ms' => '300000'])->assertSessionHasErrors(['f./return_delay_ms', 'sure']);
        $send(['/return_delay_ms' => '5 min'])->assertSessionHasNoErrors();
        self::assertSame(300_000, $switch->sheet()->firstOrFail()->settings['return_delay_ms']);
        $switch->update(['fuel' => 'lp', 'rated_kw' => ['lp' => 11]]);
        $this->put("/switches/$switch->id/loads", ['loads' => [self::load('Furnace', 26)]])->assertSessionHasNoErrors();
        $send([])->assertSessionHasNoErrors();
        Plan::keep(
            $switch,
            $switch->sheet()->firstOrFail()->user,
            ['facts' => ['measured_peak_kw' => 26, 'measured_days' => 365, 'measured_hvac' => true, 'use_demand' => true]],
        );
        $send([])->assertSessionHasErrors('note');
        $send([], ['note' => 'The owner starts the furnace by hand; a larger set is ordered.'])->assertSessionHasNoErrors();
    }

    /** @return array<string, mixed> what the form of a page sends when nothing is touched */
    private function tab(TransferSwitch $switch, Subject $subject): array
    {
        $switch->refresh()->load('site');
        $shown = (new SurveyForm($switch->site, $switch, $subject))->shown();
        $sent = [];
        foreach ($shown as $field => $value) {
            data_set($sent, $field, $value);
        }

        return $sent + ['was' => json_encode($shown, JSON_THROW_ON_ERROR)];
    }

    /** @return array<string, mixed> */
    private static function load(string $name, float $kw): array
    {
        return ['name' => $name, 'kw' => (string) $kw, 'priority' => '5', 'duty_pct' => '100'];
    }
}
