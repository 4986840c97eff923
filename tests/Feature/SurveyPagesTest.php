<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\LoadItem;
use App\Models\Photo;
use App\Models\Site;
use App\Models\TypicalLoad;
use App\Stage\SiteStanding;
use App\Stage\Survey\LoadTable;
use App\Stage\Survey\LoadTableFault;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Survey\Subject;
use Illuminate\Http\UploadedFile;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

final class SurveyPagesTest extends TestCase
{
    #[Test]
    public function every_kind_has_every_page(): void
    {
        $user = $this->signIn();
        foreach (InstallationKind::cases() as $kind) {
            $switch = $this->switchOf($user, $kind);
            foreach (Subject::cases() as $subject) {
                $this->get("/sites/$switch->site_id?on=$subject->value")->assertOk()->assertSee('Still missing');
            }
        }
    }

    #[Test]
    public function a_house_from_nothing_asks_half_and_says_what_it_takes_as_usual(): void
    {
        $this->signIn();
        $this->post(
            '/sites',
            ['name' => 'Fern Hill 9', 'timezone' => 'America/New_York', 'units' => 'us', 'installation' => 'K1'],
        )->assertSessionHasNoErrors();
        $site = Site::query()->firstOrFail();
        $standing = new SiteStanding($site, $site->switches()->with(SiteStanding::NEEDS)->firstOrFail());
        self::assertLessThanOrEqual(18, count($standing->missing()));
        $labels = array_column($standing->missing(), 'label');
        foreach ([
            'Who can open the supply upstream of the work',
            'Carbon monoxide alarms inside',
            'Grounding electrode conductor lands in',
        ] as $lethal) {
            self::assertContains($lethal, $labels, 'nothing that can hurt somebody is assumed');
        }
        $this->get("/sites/$site->id")->assertSee('Assumed, to be confirmed')->assertSee('meter, then one panel');
        $switch = $site->switches->firstOrFail();
        $this->put("/switches/$switch->id/survey/service", ['answers' => ['meter' => 'two']])->assertSessionHasNoErrors();
        $this->get("/sites/$site->id")->assertDontSee(': meter, then one panel');
    }

    #[Test]
    public function feet_are_kept_as_metres_and_a_page_leaves_the_others_alone(): void
    {
        $switch = $this->switchOf($this->signIn());
        $this->put(
            "/switches/$switch->id/survey/place",
            ['answers' => ['opening_m' => '4.9', 'co_alarms' => 'no']],
        )->assertSessionHasNoErrors();
        $this->put(
            "/switches/$switch->id/survey/service",
            ['answers' => ['slack_m' => '2', 'meter' => ''], 'next' => '1'],
        )->assertRedirectContains('on=panels');
        $survey = $switch->refresh()->survey ?? [];
        self::assertSame([1.494, 'no', 0.61], [$survey['opening_m'], $survey['co_alarms'], $survey['slack_m']]);
        self::assertArrayNotHasKey('meter', $survey);
        $this->get("/sites/$switch->site_id?on=place")->assertSee('value="4.9"', false)->assertSee(
            'There is no carbon monoxide alarm inside.',
        );
        $this->put("/switches/$switch->id/survey/place", ['answers' => ['opening_m' => '', 'co_alarms' => '']]);
        self::assertSame(
            ['upstream', 'inspection', 'slack_m'],
            array_keys($switch->refresh()->survey ?? []),
            'what is emptied is not known any more',
        );
    }

    /** @param array<string, string> $answers */
    #[Test, DataProvider('faults')]
    public function a_bad_answer_is_told_at_its_field_and_nothing_is_lost(string $subject, array $answers, string $field): void
    {
        $switch = $this->switchOf($this->signIn());
        $switch->update(['survey' => ['meter' => 'one']]);
        $this->from("/sites/$switch->site_id?on=$subject")->put(
            "/switches/$switch->id/survey/$subject",
            ['answers' => $answers],
        )->assertSessionHasErrors("answers.$field");
        self::assertSame(['meter' => 'one'], $switch->refresh()->survey);
        $this->get("/sites/$switch->site_id?on=$subject")->assertSee('field-error', false);
    }

    /** @return iterable<string, array{string, array<string, string>, string}> */
    public static function faults(): iterable
    {
        yield 'words for a length' => ['service', ['slack_m' => 'a yard'], 'slack_m'];
        yield 'more slack than there is cable' => ['service', ['slack_m' => '200'], 'slack_m'];
        yield 'a meter that is none' => ['service', ['meter' => 'sundial'], 'meter'];
        yield 'one conductor' => ['service', ['line_conductors' => '1'], 'line_conductors'];
    }

    #[Test]
    public function a_picture_is_turned_upright_made_small_and_rid_of_its_place(): void
    {
        $switch = $this->switchOf($this->signIn());
        $file = self::jpeg(2400, 1200, 6, 'N 43 12 09');
        $this->post(
            "/switches/$switch->id/photos",
            ['photos' => [$file], 'subject' => 'panels', 'moment' => 'before', 'caption' => 'As found'],
        )->assertSessionHasNoErrors();
        $photo = Photo::query()->firstOrFail();
        self::assertSame([800, 1600], [$photo->width, $photo->height], 'turned, and its longer side 1600');
        self::assertStringContainsString('N 43 12 09', $file->getContent());
        $answer = $this->get("/photos/$photo->id/full.jpg")->assertOk()->assertHeader('Content-Type', 'image/jpeg');
        self::assertStringNotContainsString('N 43 12 09', (string) $answer->getContent());
        self::assertStringNotContainsString('Exif', (string) $answer->getContent());
        $small = getimagesizefromstring((string) $this->get("/photos/$photo->id/small.jpg")->getContent());
        self::assertSame(320, $small[1] ?? 0);
        $this->post(
            "/switches/$switch->id/photos",
            ['photos' => [self::jpeg(2400, 1200, 6, 'N 43 12 09')], 'subject' => 'panels', 'moment' => 'before'],
        );
        self::assertSame(1, Photo::query()->count(), 'the same file sent again is the same picture');
        $this->put("/photos/$photo->id", ['subject' => 'place', 'moment' => 'after', 'caption' => ''])->assertSessionHasNoErrors();
        self::assertSame(['place', 'after', null], array_values($photo->refresh()->only(['subject', 'moment', 'caption'])));
        $this->delete("/photos/$photo->id");
        self::assertSame(0, Photo::query()->count());
    }

    #[Test]
    public function what_is_no_picture_is_refused_and_none_of_its_company_is_kept(): void
    {
        $switch = $this->switchOf($this->signIn());
        $text = UploadedFile::fake()->createWithContent('panel.jpg', 'no picture at all');
        $this->post(
            "/switches/$switch->id/photos",
            ['photos' => [self::jpeg(40, 30, 1, ''), $text], 'subject' => 'panels', 'moment' => 'before'],
        )->assertSessionHasErrors('photos');
        self::assertSame(0, Photo::query()->count());
    }

    #[Test]
    public function a_load_of_the_library_comes_below_what_was_typed_and_nothing_is_kept_yet(): void
    {
        $switch = $this->switchOf($this->signIn());
        $typed = [['name' => 'Lights', 'kw' => '1.2', 'priority' => '1', 'connect' => 'L1']];
        $this->post("/switches/$switch->id/loads", ['loads' => $typed, 'typical' => 'Lights'])->assertRedirect();
        $lines = session()->getOldInput('loads');
        self::assertSame(['Lights', 'Lights 2'], array_column($lines, 'name'));
        self::assertSame(['L1', 'L2'], array_column($lines, 'connect'), 'the leg with less on it');
        self::assertSame(0, LoadItem::query()->count());
        $this->get("/sites/$switch->site_id?on=loads")->assertSee('value="Lights 2"', false);
        $this->post("/switches/$switch->id/loads", ['loads' => $typed, 'typical' => 'A dragon'])->assertSessionHasErrors('typical');
    }

    #[Test]
    public function loads_go_out_as_a_table_and_come_back_the_same(): void
    {
        $switch = $this->switchOf($this->signIn());
        $lines = [
            [
                'name' => 'Pump, "old"',
                'kw' => '1.5',
                'priority' => '1',
                'connect' => 'L1L2',
                'start_kva' => '6',
                'duty_pct' => '20',
                'must_run' => '1',
            ],
            ['name' => 'Network', 'kw' => '0.1', 'priority' => '2', 'connect' => 'L1', 'sensitive' => '1', 'ups' => '1'],
        ];
        $this->put("/switches/$switch->id/loads", ['loads' => $lines])->assertSessionHasNoErrors();
        $before = LoadItem::query()->orderBy('place')->get()->makeHidden('id')->toArray();
        $csv = (string) $this->get("/switches/$switch->id/loads.csv")->assertOk()->getContent();
        $this->post(
            "/switches/$switch->id/loads",
            ['table' => UploadedFile::fake()->createWithContent('loads.csv', $csv)],
        )->assertSessionHasNoErrors();
        $this->put("/switches/$switch->id/loads", ['loads' => session()->getOldInput('loads')])->assertSessionHasNoErrors();
        self::assertEquals($before, LoadItem::query()->orderBy('place')->get()->makeHidden('id')->toArray());
    }

    /** @param list<array<string, mixed>> $expected */
    #[Test, DataProvider('tables')]
    public function a_table_is_read_as_offices_write_it(string $table, array $expected): void
    {
        foreach (LoadTable::read($table) as $i => $line) {
            self::assertSame($expected[$i], array_intersect_key($line, $expected[$i]));
        }
    }

    /** @return iterable<string, array{string, list<array<string, mixed>>}> */
    public static function tables(): iterable
    {
        yield 'semicolons and decimal commas' => [
            "Name;kW;Must run\nPumpe;1,5;yes\n",
            [['name' => 'Pumpe', 'kw' => '1.5', 'must_run' => '1', 'priority' => '5']],
        ];
        yield 'a mark at the beginning and Windows line ends' => [
            "\u{FEFF}name,kw\r\nFan,0.4\r\n\r\n",
            [['name' => 'Fan', 'kw' => '0.4', 'shed' => null]],
        ];
        yield 'a column nobody knows' => ["name,kw,colour\nFan,0.4,blue", [['name' => 'Fan', 'kw' => '0.4']]];
        yield 'a short line' => ["name,kw,priority\nFan,0.4", [['name' => 'Fan', 'priority' => '5']]];
        yield 'a figure that is none is kept for its field' => ["name,kw\nFan,much", [['kw' => 'much']]];
    }

    #[Test]
    public function a_table_without_its_columns_is_refused(): void
    {
        $this->expectException(LoadTableFault::class);
        LoadTable::read("load,watts\nFan,400");
    }

    #[Test]
    public function a_cell_that_a_spreadsheet_would_reckon_with_goes_out_as_words(): void
    {
        self::assertStringContainsString("'=cmd()", LoadTable::write([['name' => '=cmd()', 'kw' => 1]]));
    }

    #[Test]
    public function the_library_is_the_companys_own_once_saved(): void
    {
        $switch = $this->switchOf($this->signIn());
        $this->put(
            '/library/loads',
            ['loads' => [['name' => 'Kiln', 'kw' => '6', 'priority' => '3', 'legs' => '2']]],
        )->assertSessionHasNoErrors();
        $this->get("/sites/$switch->site_id?on=loads")->assertSee('value="Kiln"', false)->assertDontSee('Sump pump');
        $this->put(
            '/library/loads',
            ['loads' => [['name' => 'Kiln', 'kw' => '6', 'priority' => '3', 'legs' => '3']]],
        )->assertSessionHasErrors('loads.0.legs');
        $this->flushSession();
        $this->signIn();
        $this->get('/library/loads')->assertDontSee('Kiln')->assertSee('Sump pump');
        self::assertSame(0, TypicalLoad::query()->count(), 'another company does not see it');
    }

    /** A JPEG as a phone writes it: the way it lies, and where it was taken. */
    private static function jpeg(int $width, int $height, int $orientation, string $place): UploadedFile
    {
        $image = imagecreatetruecolor($width, $height);
        ob_start();
        imagejpeg($image);
        $bytes = (string) ob_get_clean();
        $tiff = "MM\x00\x2A\x00\x00\x00\x08" . "\x00\x02" . pack('nnNnn', 0x0112, 3, 1, $orientation, 0) . pack(
            'nnNN',
            0x010E,
            2,
            strlen($place) + 1,
            38,
        ) . "\x00\x00\x00\x00" . $place . "\x00";
        $segment = "Exif\x00\x00" . $tiff;

        return UploadedFile::fake()->createWithContent(
            'camera.jpg',
            substr($bytes, 0, 2) . "\xFF\xE1" . pack('n', strlen($segment) + 2) . $segment . substr($bytes, 2),
        );
    }
}
