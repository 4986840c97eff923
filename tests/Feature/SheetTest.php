<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Bridge\SwitchFacts;
use App\Models\Sheet;
use App\Models\TransferSwitch;
use App\Stage\Settings\SheetForm;
use Escapement\Core\Settings\Template\SheetTemplate;
use Illuminate\Http\UploadedFile;
use Illuminate\Testing\TestResponse;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Tests\GuardsStatus;
use Tests\TestCase;

final class SheetTest extends TestCase
{
    use GuardsStatus;
    #[Test]
    public function the_template_stands_there_until_a_version_is_saved(): void
    {
        $user = $this->signIn();
        $switch = $this->switchOf($user);
        Sheet::query()->toBase()->delete();
        $this->get(
            "/switches/$switch->id/settings?school=critical",
        )->assertOk()->assertSee('not saved yet')->assertSee('value="900"', false);
        $this->post("/switches/$switch->id/settings", $this->fields($switch, ['seen_version' => 0]))->assertSessionHasNoErrors();
        self::assertSame(1, Sheet::query()->firstOrFail()->version);
    }

    #[Test]
    public function a_version_is_added_and_the_old_one_stays(): void
    {
        $switch = $this->switchOf($this->signIn());
        $this->post(
            "/switches/$switch->id/settings",
            $this->fields(
                $switch,
                f: [
                    '/return_delay_ms' => '60.5',
                    '/sensing/normal/over_voltage/dropout_pct' => '',
                    '/sensing/normal/over_voltage/pickup_pct' => '',
                ],
            ),
        )
            ->assertSessionHasNoErrors();
        $sheets = Sheet::query()->orderBy('version')->get();
        self::assertSame([300_000, 60_500], $sheets->map(static fn(Sheet $sheet): int => $sheet->settings['return_delay_ms'])->all());
        self::assertNull($sheets->last()?->settings['sensing']['normal']['over_voltage'] ?? null);
        $this->get(
            "/switches/$switch->id/settings/difference?from=1&to=2",
        )->assertSee('Return delay')->assertSee('5:00.0')->assertDontSee('Cool-down:');
    }

    #[Test]
    public function a_sheet_is_never_changed(): void
    {
        $switch = $this->switchOf($this->signIn());
        $this->expectException(\LogicException::class);
        $switch->sheets()->firstOrFail()->update(['note' => 'changed my mind']);
    }

    #[Test, DataProvider('faults')]
    public function a_fault_is_told_at_its_field_and_the_rest_is_kept(string $path, string $typed): void
    {
        $switch = $this->switchOf($this->signIn());
        $this->from("/switches/$switch->id/settings")->post(
            "/switches/$switch->id/settings",
            $this->fields($switch, f: [$path => $typed, '/cooldown_ms' => '77']),
        )
            ->assertSessionHasErrors("f.$path");
        $page = $this->get("/switches/$switch->id/settings");
        $page->assertSee('value="77"', false)->assertSee('aria-invalid="true"', false)->assertSee('value="' . e($typed) . '"', false);
        self::assertSame(1, Sheet::query()->count());
    }

    /** @return iterable<string, array{string, string}> */
    public static function faults(): iterable
    {
        yield 'nothing where something is needed' => ['/return_delay_ms', ''];
        yield 'a word' => ['/return_delay_ms', 'five'];
        yield 'less than nothing' => ['/start_delay_ms', '-1'];
        yield 'a fraction of a millisecond' => ['/start_delay_ms', '1.0005'];
        yield 'more than a year' => ['/start_delay_ms', '31536001'];
        yield 'pick-up under drop-out' => ['/sensing/normal/under_voltage/pickup_pct', '70'];
        yield 'half a limit' => ['/sensing/normal/over_voltage/pickup_pct', ''];
        yield 'a percentage beyond all' => ['/sensing/emergency/under_voltage/pickup_pct', '201'];
    }

    #[Test]
    public function the_second_of_two_tabs_is_told_and_loses_nothing(): void
    {
        $switch = $this->switchOf($this->signIn());
        $url = "/switches/$switch->id/settings";
        $this->post($url, $this->fields($switch, f: ['/return_delay_ms' => '120']))->assertSessionHasNoErrors();
        $this->post(
            $url,
            $this->fields($switch, f: ['/return_delay_ms' => '240']),
        )->assertRedirect($url)->assertSessionHas('overtaken.version', 2);
        self::assertSame(2, Sheet::query()->count());
        $this->followingRedirects()->post($url, $this->fields($switch, f: ['/return_delay_ms' => '240']))
            ->assertSee('Not saved')->assertSee('value="240"', false)
                ->assertSee('2:00.0 becomes 4:00.0')
                ->assertSee('name="seen_version" value="2"', false);
        $this->post($url, $this->fields($switch, ['seen_version' => 2], ['/return_delay_ms' => '240']));
        self::assertSame(
            [300_000, 120_000, 240_000],
            Sheet::query()->orderBy('version')->get()->map(static fn(Sheet $sheet): int => $sheet->settings['return_delay_ms'])->all(),
        );
    }

    #[Test]
    public function a_finding_offers_its_fix_and_one_press_proposes_it(): void
    {
        $switch = $this->switchOf($this->signIn());
        $this->post("/switches/$switch->id/settings", $this->fields($switch, f: ['/return_delay_ms' => '5']));
        $page = (string) $this->get("/switches/$switch->id/settings")->assertSee('5.0')->assertSee('Propose it so')->getContent();
        preg_match('#id="finding-takes-the-bait".*?</article>#s', $page, $finding);
        preg_match_all('#name="([^"]+)" value="([^"]*)"#', $finding[0] ?? '', $inputs);
        parse_str(
            implode(
                '&',
                array_map(
                    static fn(string $name, string $value): string => urlencode(html_entity_decode($name)) . '='
                        . urlencode(html_entity_decode($value)),
                    $inputs[1],
                    $inputs[2],
                ),
            ),
            $fields,
        );
        $this->post("/switches/$switch->id/settings", $fields)->assertSessionHasNoErrors();
        self::assertSame(10_000, Sheet::query()->where('version', 3)->firstOrFail()->settings['return_delay_ms']);
    }

    #[Test]
    public function what_is_exported_fits_the_published_schema_and_can_be_read_back(): void
    {
        $switch = $this->switchOf($this->signIn());
        $json = (string) $this->get("/switches/$switch->id/settings/1.json")->assertOk()->getContent();
        $schema = (string) file_get_contents(base_path('docs/schema/settings-sheet.schema.json'));
        $valid = (new Validator())->validate(json_decode($json), $schema);
        self::assertTrue($valid->isValid(), (string) $valid->error()?->message());
        $this->import($switch, $json)->assertSessionHasNoErrors();
        $sheets = Sheet::query()->orderBy('version')->get();
        self::assertEquals($sheets[0]->settings, $sheets[1]->settings);
        self::assertSame('proposed', $sheets[1]->standing->value);
    }

    #[Test]
    public function what_the_form_does_not_show_is_kept_from_version_to_version(): void
    {
        $switch = $this->switchOf($this->signIn());
        $sheet = json_decode((string) $this->get("/switches/$switch->id/settings/1.json")->getContent(), true);
        $quiet = [['days' => ['sat', 'sun'], 'from' => '21:00', 'to' => '09:00']];
        $sheet['habits'] = [
            'quiet_hours' => $quiet,
            'exercise' => ['day' => 'mon', 'time' => '10:00', 'every' => 10, 'for_min' => 20, 'with_load' => false],
        ];
        $sheet['settings']['exercise'] = ['first_at_ms' => 0, 'every_ms' => 604_800_000, 'for_ms' => 900_000, 'with_load' => false];
        $this->import($switch, json_encode($sheet, JSON_THROW_ON_ERROR))->assertSessionHasNoErrors();
        $this->get("/switches/$switch->id/settings")->assertSee('10 days');
        $fields = $this->fields($switch, ['seen_version' => 2]);
        $fields['h']['every'] = '10';
        $this->post("/switches/$switch->id/settings", $fields)->assertSessionHasNoErrors();
        $saved = Sheet::query()->where('version', 3)->firstOrFail();
        self::assertEquals($quiet, $saved->habits['quiet_hours']);
        self::assertSame(10, $saved->habits['exercise']['every']);
        self::assertSame(604_800_000, $saved->settings['exercise']['every_ms']);
    }

    #[Test, DataProvider('rubbish')]
    public function a_bad_file_is_refused_with_the_place_of_the_fault_and_changes_nothing(string $says, callable $spoil): void
    {
        $switch = $this->switchOf($this->signIn());
        $good = json_decode((string) $this->get("/switches/$switch->id/settings/1.json")->getContent(), true);
        $this->import($switch, $spoil($good))->assertSessionHasErrors('file');
        self::assertStringContainsString($says, session('errors')->first('file'));
        self::assertSame(1, Sheet::query()->count());
    }

    /** @return iterable<string, array{string, callable(array<string, mixed>): string}> */
    public static function rubbish(): iterable
    {
        $json = static fn(mixed $value): string => json_encode($value, JSON_THROW_ON_ERROR);
        yield 'an unknown setting' => [
            '/settings/return_dealy_ms',
            static fn(array $x): string => $json(array_replace_recursive($x, ['settings' => ['return_dealy_ms' => 1]])),
        ];
        yield 'a wrong type' => [
            '/settings/sensing/normal/dropout_delay_ms',
            static fn(array $x): string => $json(array_replace_recursive(
                $x,
                ['settings' => ['sensing' => ['normal' => ['dropout_delay_ms' => 'x']]]],
            )),
        ];
        yield 'an unknown key on top' => ['/author2', static fn(array $x): string => $json($x + ['author2' => 1])];
        yield 'another format' => ['/format', static fn(array $x): string => $json(['format' => 'something/2'] + $x)];
        yield 'no JSON' => ['not JSON', static fn(): string => "\x89PNG rubbish"];
        yield 'deep nesting' => ['not JSON', static fn(): string => str_repeat('[', 5000) . str_repeat(']', 5000)];
        yield 'ten megabytes' => ['100 kB at most', static fn(): string => str_repeat('[1],', 2_621_440)];
    }

    /**
     * @param array<string, mixed>  $over
     * @param array<string, string> $f
     *
     * @return array<string, mixed>
     */
    private function fields(TransferSwitch $switch, array $over = [], array $f = []): array
    {
        $settings = (new SheetTemplate($switch->site->installation))->settings()->toWire();
        $fields = [];
        foreach ((new SheetForm((new SwitchFacts($switch))->plant))->fields() as $field) {
            $fields[$field->path] = $field->typed($settings);
        }

        return $over + [
            'seen_version' => 1,
            'standing' => 'proposed',
            'note' => 'tried',
            'f' => $f + $fields,
            'h' => ['day' => 'tue', 'time' => '11:00', 'every' => 'weekly', 'for_min' => '15', 'load_tests_per_year' => '4'],
        ];
    }

    private function import(TransferSwitch $switch, string $content): TestResponse
    {
        return $this->post(
            "/switches/$switch->id/settings/import",
            ['file' => UploadedFile::fake()->createWithContent('sheet.json', $content)],
        );
    }
}
