<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Site;
use App\Models\TransferSwitch;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Tests\GuardsStatus;
use Tests\TestCase;

final class SurveyTest extends TestCase
{
    use GuardsStatus;
    private const GOOD = [
        'name' => 'Alder Court',
        'timezone' => 'America/Denver',
        'units' => 'us',
        'installation' => 'K1',
        'altitude' => '5280',
    ];

    #[Test]
    public function a_new_site_brings_a_switch_of_its_kind_and_stores_metres(): void
    {
        $this->signIn();
        $this->post('/sites', self::GOOD)->assertRedirect();
        $site = Site::query()->firstOrFail();
        self::assertEqualsWithDelta(1609.3, (float) $site->altitude_m, 0.1);
        self::assertSame('standby', $site->switches->firstOrFail()->plant['kind']);
        $this->get("/sites/$site->id")->assertOk()->assertSee('5280')->assertSee('Still missing');
    }

    /** @param array<string, string> $fault */
    #[Test, DataProvider('faults')]
    public function a_fault_is_told_at_its_field_and_what_was_typed_is_kept(string $field, array $fault): void
    {
        $this->signIn();
        $this->from('/sites/new')->post('/sites', $fault + self::GOOD)->assertRedirect('/sites/new')->assertSessionHasErrors($field);
        $page = $this->get('/sites/new');
        $page->assertSee('field-error', false);
        if ($field !== 'name') {
            $page->assertSee('Alder Court');
        }
        self::assertSame(0, Site::query()->count());
    }

    /** @return iterable<string, array{string, array<string, string>}> */
    public static function faults(): iterable
    {
        yield 'no name' => ['name', ['name' => '']];
        yield 'a zone that is none' => ['timezone', ['timezone' => 'Moon/Crater']];
        yield 'a service of no amperes' => ['service_a', ['service_a' => '0']];
        yield 'half an ampere' => ['service_a', ['service_a' => '0.5']];
        yield 'higher than any mountain' => ['altitude', ['altitude' => '30000']];
        yield 'a kind that is none' => ['installation', ['installation' => 'K11']];
    }

    #[Test]
    public function the_engine_is_typed_in_seconds_and_kept_in_milliseconds(): void
    {
        $switch = $this->switchOf($this->signIn());
        $fields = [
            'switch_name' => 'Q1',
            'rating_a' => '200',
            'poles' => '2',
            'service_rated' => '1',
            'fuel' => 'lp',
            'rated_kw' => ['lp' => '18', 'natural_gas' => '16.2'],
            'nominal_v' => '120',
            'nominal_hz' => '60',
            'crank_ms' => '1.3',
            'crank_limit_ms' => '10',
            'crank_rest_ms' => '10',
            'run_up_ms' => '4',
            'stop_ms' => '5',
            'crank_attempts' => '3',
        ];
        $this->put("/switches/$switch->id/survey/source", $fields)->assertSessionHasNoErrors();
        $saved = TransferSwitch::query()->findOrFail($switch->id);
        self::assertSame(1300, $saved->plant['engine']['crank_ms']);
        self::assertEquals(16.2, $saved->rated_kw['natural_gas']);
        self::assertTrue($saved->service_rated);
        $this->put("/switches/$switch->id/survey/source", ['crank_attempts' => '11'] + $fields)->assertSessionHasErrors('crank_attempts');
    }

    #[Test]
    public function saving_the_form_as_it_stands_changes_nothing(): void
    {
        $switch = $this->switchOf($this->signIn());
        $switch->update([
            'fuel' => 'petrol',
            'rated_kw' => ['petrol' => 4, 'lp' => 3.5],
            'has_compressor' => true,
            'test_disconnect' => 'Q1',
        ]);
        $before = $switch->fresh()?->toArray();
        $page = (string) $this->get("/sites/$switch->site_id?on=source")->getContent();
        preg_match('#<form[^>]*/survey/source" class="block answers">(.*?)</form>#s', $page, $form);
        preg_match_all('#<input[^>]*name="([^"]+)"[^>]*>#', $form[1] ?? '', $inputs);
        $fields = ['fuel' => 'petrol'];
        foreach ($inputs[0] as $i => $input) {
            if (preg_match('/type="(checkbox|radio)"/', $input) !== 1 || str_contains($input, 'checked')) {
                preg_match('/value="([^"]*)"/', $input, $value);
                $fields[html_entity_decode($inputs[1][$i])] = html_entity_decode($value[1] ?? '');
            }
        }
        parse_str(http_build_query($fields), $parsed);
        $this->put("/switches/$switch->id/survey/source", $parsed)->assertSessionHasNoErrors();
        $after = $switch->fresh()?->toArray();
        unset($before['updated_at'], $after['updated_at']);
        self::assertEquals($before, $after);
    }

    #[Test]
    public function what_must_run_is_never_shed_and_a_load_twice_is_refused_without_losing_the_list(): void
    {
        $switch = $this->switchOf($this->signIn());
        $line = static fn(string $name, string $kw, array $more = []): array => ['name' => $name, 'kw' => $kw, 'priority' => '1'] + $more;
        $this->put(
            "/switches/$switch->id/loads",
            ['loads' => [$line('Pump', '1.5', ['must_run' => '1', 'shed' => '1']), $line('Dryer', '5.6', ['shed' => '1'])]],
        )->assertSessionHasNoErrors();
        self::assertSame([false, true], $switch->loads()->pluck('shed')->all());
        $this->put(
            "/switches/$switch->id/loads",
            ['loads' => [$line('Pump', '2'), $line('pump', '3')]],
        )->assertSessionHasErrors('loads.0.name');
        self::assertSame(['Pump', 'Dryer'], $switch->loads()->pluck('name')->all());
    }

    #[Test]
    public function a_second_switch_stands_beside_the_first(): void
    {
        $switch = $this->switchOf($this->signIn());
        $this->post("/sites/$switch->site_id/switches")->assertRedirect();
        self::assertSame(['Q1', 'Q2'], TransferSwitch::query()->orderBy('id')->pluck('name')->all());
        $this->get('/')->assertSee('Fern Hill 3, Q2');
    }
}
