<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\ColumnMap;
use App\Models\Recording;
use App\Models\Role;
use App\Models\Scenario;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Recording\DataFormat;
use Escapement\Core\Recording\RecordingFile;
use Escapement\Core\Recording\Series;
use Illuminate\Http\UploadedFile;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

final class LibraryTest extends TestCase
{
    private const FACTS = ['name' => 'Storm', 'phases' => 2, 'nominal_v' => 120, 'nominal_hz' => 60];
    private const OWN = [
        'story' => 'own',
        'b' => [
            ['kind' => 'volts', 'at' => '10', 'lasts' => '60', 'v' => '0'],
            ['kind' => 'engine_trip', 'at' => '50', 'reason' => 'low oil'],
        ],
    ];

    #[Test]
    public function a_story_is_edited_piece_by_piece_and_kept_for_the_company(): void
    {
        $switch = $this->switchOf($this->signIn());
        $this->followingRedirects()->post("/switches/$switch->id/rehearsal", ['story' => 'failed_crank', 'edit' => '1'])
            ->assertOk()->assertSee('name="b[0][count]" value="1"', false)->assertSee(
                'name="b[1][lasts]" value="180"',
                false,
            )->assertSee('data-field="b[1][lasts]"', false);
        $this->followingRedirects()->post(
            "/switches/$switch->id/rehearsal",
            self::OWN + ['add' => 'hertz', 'at' => '33.5'],
        )->assertOk()->assertSee('name="b[2][at]" value="33.5"', false);
        $this->followingRedirects()->post(
            "/switches/$switch->id/rehearsal",
            ['b' => [['gone' => '1'] + self::OWN['b'][0], self::OWN['b'][1]]] + self::OWN,
        )->assertOk()->assertDontSee('b[1]');
        $this->post(
            "/switches/$switch->id/scenarios",
            self::OWN + ['name' => 'Trips in the dark'],
        )->assertRedirect()->assertSessionHas('said');
        $kept = Scenario::query()->firstOrFail();
        self::assertSame(['set_source', 'engine_trip', 'set_source'], array_column($kept->events, 'do'));
        $this->get(
            "/switches/$switch->id/rehearsal?story=saved-$kept->id",
        )->assertOk()->assertSee('Trips in the dark')->assertSee('name="b[0][v]" value="0"', false);
        $this->post("/switches/$switch->id/scenarios", ['b' => [self::OWN['b'][0]], 'name' => 'Trips in the dark'] + self::OWN);
        self::assertCount(2, Scenario::query()->firstOrFail()->events, 'the same name takes its place');
    }

    /** @param array<string, string> $change */
    #[Test, DataProvider('badPieces')]
    public function a_bad_piece_is_told_at_its_field_and_kept(array $change, string $field): void
    {
        $switch = $this->switchOf($this->signIn());
        $rows = [$change + self::OWN['b'][0]];
        $page = (string) $this->followingRedirects()->post(
            "/switches/$switch->id/rehearsal",
            ['b' => $rows] + self::OWN,
        )->assertOk()->getContent();
        self::assertMatchesRegularExpression('/id="b-0-' . $field . '"[^>]*is-invalid/', $page);
        self::assertStringContainsString('value="' . e($change[$field]) . '"', $page);
        $this->post("/switches/$switch->id/scenarios", ['b' => $rows, 'name' => 'x'] + self::OWN)->assertSessionHasErrors('name');
        self::assertSame(0, Scenario::query()->count());
    }

    /** @return iterable<string, array{array<string, string>, string}> */
    public static function badPieces(): iterable
    {
        yield 'no time' => [['at' => 'soon'], 'at'];
        yield 'before the beginning' => [['at' => '-1'], 'at'];
        yield 'longer than a year' => [['lasts' => '99999999'], 'lasts'];
        yield 'three phases on two' => [['v' => '1 / 2 / 3'], 'v'];
        yield 'no volts' => [['v' => 'low'], 'v'];
    }

    #[Test]
    public function a_scenario_leaves_as_a_file_and_comes_back_and_another_supply_scales_it(): void
    {
        $user = $this->signIn();
        $scenario = $this->scenarioOf($user);
        $json = (string) $this->get("/library/scenarios/$scenario->id.json")->assertOk()->getContent();
        $schema = (string) file_get_contents(base_path('docs/schema/scenario.schema.json'));
        self::assertTrue((new Validator())->validate(json_decode($json), $schema)->isValid());
        $this->post(
            '/library/scenarios',
            ['scenario' => UploadedFile::fake()->createWithContent('s.json', $json)],
        )->assertSessionHasErrors('scenario');
        $this->delete("/library/scenarios/$scenario->id")->assertRedirect('/library');
        $this->post(
            '/library/scenarios',
            ['scenario' => UploadedFile::fake()->createWithContent('s.json', $json)],
        )->assertSessionHasNoErrors();
        $back = Scenario::query()->firstOrFail();
        self::assertEquals($scenario->events, $back->events);
        $mains = $this->switchOf($user, InstallationKind::ContactorGenerator);
        $volts = $mains->plant['sources']['normal']['nominal_v'];
        $run = json_decode(
            (string) $this->post("/switches/$mains->id/rehearsal.json", ['story' => "saved-$back->id"])->assertOk()->getContent(),
            true,
        );
        self::assertEquals(array_fill(0, 3, $volts), $run['input']['events'][1]['v']);
    }

    #[Test, DataProvider('badFiles')]
    public function a_scenario_file_that_cannot_be_played_is_refused_by_its_place(string $json, string $says): void
    {
        $this->signIn();
        $this->post(
            '/library/scenarios',
            ['scenario' => UploadedFile::fake()->createWithContent('s.json', $json)],
        )->assertSessionHasErrors(['scenario' => $says]);
        self::assertSame(0, Scenario::query()->count());
    }

    /** @return iterable<string, array{string, string}> */
    public static function badFiles(): iterable
    {
        $file = static fn(string $event): string =>
            '{"format":"escapement/scenario/1","name":"x","supply":{"phases":2,"nominal_v":120,"nominal_hz":60},"events":[' . $event . ']}';
        yield 'another format' => ['{"format":"other"}', 'At /format: This must be one of: escapement/scenario/1. Nothing was kept.'];
        yield 'an unknown deed' => [
            $file('{"at_ms":0,"do":"explode"}'),
            'At /events/0/do: This must be one of: set_source, ramp_source, crank_failures, engine_trip, engine_reset, '
                . 'start_generator, stop_generator, test_start, test_stop, selector, set_load. Nothing was kept.',
        ];
        yield 'time that goes back' => [
            $file('{"at_ms":5,"do":"engine_reset"},{"at_ms":4,"do":"engine_reset"}'),
            'At /events/1/at_ms: Event times must not go back: 4 ms comes after 5 ms. Nothing was kept.',
        ];
    }

    #[Test, DataProvider('recordings')]
    public function a_recording_is_read_shown_and_played(string $form): void
    {
        $switch = $this->switchOf($this->signIn());
        $this->post('/library/recordings', self::FACTS + ['files' => self::files($form)])->assertSessionHasNoErrors()->assertRedirect();
        $recording = Recording::query()->firstOrFail();
        self::assertEqualsWithDelta(30_000, $recording->until_ms, 20_000);
        $this->get("/library/recordings/$recording->id")->assertOk()->assertSee('no voltage for')->assertSee('What disturbed it: 1');
        $this->get("/library/recordings/$recording->id?from=1500&to=1400")->assertOk();
        $run = json_decode(
            (string) $this->post("/switches/$switch->id/rehearsal.json", ['story' => "recording-$recording->id"])->assertOk()->getContent(),
            true,
        );
        self::assertSame(1, $run['output']['metrics']['engine_starts']);
        $this->get(
            "/switches/$switch->id/rehearsal?story=recording-$recording->id",
        )->assertOk()->assertSee('What this sheet would have made of it');
        foreach (['csv', 'cff'] as $as) {
            $again = (string) $this->get("/library/recordings/$recording->id.$as")->assertOk()->getContent();
            $this->post(
                '/library/recordings',
                self::FACTS + ['files' => [UploadedFile::fake()->createWithContent("again.$as", $again)]],
            )->assertSessionHasNoErrors();
            self::assertSame($recording->points, Recording::query()->latest('id')->firstOrFail()->points);
        }
        $this->delete("/library/recordings/$recording->id")->assertRedirect('/library');
    }

    /** @return iterable<string, array{string}> */
    public static function recordings(): iterable
    {
        foreach (['csv', 'cff', 'ascii', 'binary', 'binary32', 'float32'] as $form) {
            yield $form => [$form];
        }
    }

    #[Test]
    public function columns_once_told_are_remembered_for_the_company(): void
    {
        $this->signIn();
        $text = "when,north,south\n0,120,121\n1000,0,0\n";
        $file = static fn(): array => [UploadedFile::fake()->createWithContent('meter.csv', $text)];
        $this->post('/library/recordings', self::FACTS + ['files' => $file()])->assertSessionHasErrors('files');
        $told = ['c' => ['time' => '0', 'unit' => 'ms', 'v' => ['1', '2'], 'hz' => '', 'scale' => '1', 'waveform' => '0']];
        $this->post('/library/recordings/look', ['phases' => 2, 'files' => $file()])->assertOk()->assertSee('as guessed');
        $this->post('/library/recordings', self::FACTS + $told + ['files' => $file()])->assertSessionHasNoErrors();
        $this->post('/library/recordings/look', ['phases' => 2, 'files' => $file()])->assertOk()->assertSee('as for the last file');
        $this->post('/library/recordings', self::FACTS + ['files' => $file()])->assertSessionHasNoErrors();
        self::assertSame(2, Recording::query()->count());
        $this->signIn();
        $this->post('/library/recordings/look', ['phases' => 2, 'files' => $file()])->assertSee('as guessed');
        self::assertSame(0, ColumnMap::query()->count(), 'another company has told nothing');
    }

    #[Test]
    public function a_hostile_recording_is_told_with_its_place_and_nothing_is_kept(): void
    {
        $this->signIn();
        $made = (new RecordingFile('x', 60, ['a', 'b']))->waveform(self::outage(), 600, DataFormat::Binary16, '01/01/2026,00:00:00', 1);
        $cfg = static fn(string $text): UploadedFile => UploadedFile::fake()->createWithContent('r.cfg', $text);
        $dat = static fn(string $bytes): UploadedFile => UploadedFile::fake()->createWithContent('r.dat', $bytes);
        foreach ([
            'The .dat needs its .cfg' => [$dat('abc')],
            'The .cfg needs its .dat' => [$cfg($made['config'])],
            'Data, byte 5' => [$cfg($made['config']), $dat('abcde')],
            'Configuration, line 1' => [$cfg('%PDF-1.7'), $dat('x')],
            'This is no table' => [UploadedFile::fake()->createWithContent('r.csv', "\0\0\0")],
            'Choose the file' => [],
        ] as $says => $files) {
            $this->post('/library/recordings', self::FACTS + ['files' => $files])->assertSessionHasErrors('files');
            self::assertStringContainsString($says, session('errors')->first('files'));
        }
        $this->post(
            '/library/recordings',
            ['phases' => 9, 'nominal_v' => -1] + self::FACTS,
        )->assertSessionHasErrors(['phases', 'nominal_v']);
        self::assertSame(0, Recording::query()->count());
    }

    #[Test]
    public function made_up_recordings_of_every_form_can_be_read(): void
    {
        $this->signIn();
        $folder = sys_get_temp_dir() . '/escapement-made-' . getmypid();
        mkdir($folder);
        foreach (['csv', 'cff', 'ascii', 'float32'] as $form) {
            $this->artisan("recording:make $folder --form=$form --minutes=1 --rate=720")->assertSuccessful();
            $names = glob("$folder/*") ?: [];
            $files = array_map(static fn(string $name): UploadedFile => new UploadedFile($name, basename($name), null, null, true), $names);
            $this->post('/library/recordings', self::FACTS + ['files' => $files])->assertSessionHasNoErrors();
            array_map(unlink(...), $names);
        }
        rmdir($folder);
        self::assertSame(4, Recording::query()->count());
        $this->artisan('recording:make /nowhere')->assertFailed();
    }

    #[Test]
    public function a_viewer_sees_the_library_without_its_buttons(): void
    {
        $this->signIn(Role::Viewer);
        $this->get('/library')->assertOk()->assertDontSee('Read it');
    }

    private static function outage(): Series
    {
        $series = new Series(2);
        foreach ([0 => 120.0, 2000 => 0.0, 22_000 => 120.0] as $atMs => $v) {
            $series->add($atMs, [$v, $v], 60.0);
        }
        $series->untilMs = 30_000;

        return $series;
    }

    /** @return list<UploadedFile> */
    private static function files(string $form): array
    {
        $file = new RecordingFile('Lantern Bay', 60, ['l1', 'l2']);
        $made = static fn(string $name, string $content): UploadedFile => UploadedFile::fake()->createWithContent($name, $content);
        if ($form === 'csv' || $form === 'cff') {
            return [$made(
                "r.$form",
                $form === 'csv' ? $file->csv(self::outage()) : $file->combined(self::outage(), '01/01/2026,00:00:00'),
            )];
        }
        $wave = $file->waveform(self::outage(), 720, DataFormat::from(strtoupper($form)), '01/01/2026,00:00:00', 3);

        return [$made('r.cfg', $wave['config']), $made('r.dat', implode('', iterator_to_array($wave['data'], false)))];
    }
}
