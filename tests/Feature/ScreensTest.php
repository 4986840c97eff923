<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Bridge\SwitchFacts;
use App\Models\Company;
use App\Models\CompanyLogo;
use App\Models\Role;
use App\Models\Sheet;
use App\Models\User;
use App\Stage\Plan\CodeEdition;
use App\Stage\Rehearsal\FiveStories;
use App\Stage\Survey\KindPicture;
use Database\Factories\UserFactory;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Rehearsal\Story;
use Illuminate\Http\UploadedFile;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

/** What stands first on a screen, and what a press does. */
final class ScreensTest extends TestCase
{
    #[Test]
    public function a_new_site_is_chosen_from_ten_pictures_with_a_sentence_each(): void
    {
        $this->signIn();
        $page = html_entity_decode((string) $this->get('/sites/new')->assertOk()->getContent(), ENT_QUOTES);
        self::assertSame(10, substr_count($page, 'class="kind-picture"'));
        foreach (InstallationKind::cases() as $kind) {
            self::assertStringContainsString($kind->sentence(), $page);
            self::assertNotFalse(simplexml_load_string((new KindPicture($kind))->svg()), "$kind->value is drawn");
        }
        self::assertCount(
            10,
            array_unique(array_map(static fn(InstallationKind $kind): string => $kind->sentence(), InstallationKind::cases())),
        );
    }

    #[Test]
    public function a_turned_return_delay_shows_in_five_stories_at_once(): void
    {
        $switch = $this->switchOf($this->signIn())->refresh();
        $facts = new SwitchFacts($switch->load(['site', 'loads', 'plan', 'sheet']));
        $sheet = $facts->settings($switch->sheet->settings);
        $turned = $facts->settings(['return_delay_ms' => 120_000] + $switch->sheet->settings);
        $rows = (new FiveStories($facts, $turned, $sheet, Story::cases()))->rows;
        self::assertCount(5, $rows);
        self::assertNotNull($rows[0]['cells'][2]['was'], 'the engine runs for another time');
        self::assertNull($rows[0]['cells'][0]['was'], 'dark is as before');
        $same = (new FiveStories($facts, $sheet, $sheet, Story::cases()))->rows;
        self::assertSame(
            [],
            array_filter(
                $same,
                static fn(array $row): bool => array_filter($row['cells'], static fn(array $cell): bool => $cell['was'] !== null) !== [],
            ),
        );
        $this->get("/switches/$switch->id/rehearsal")->assertSee('Five stories with these delays');
    }

    #[Test]
    public function a_played_rehearsal_can_be_gone_back_to(): void
    {
        $switch = $this->switchOf($this->signIn());
        $answer = $this->post("/switches/$switch->id/rehearsal", ['story' => 'blink', 'n' => ['lasts_ms' => '3']]);
        $answer->assertRedirectContains('story=blink');
        $this->get((string) $answer->headers->get('Location'))->assertOk()->assertSee('Blink');
        $long = $this->post("/switches/$switch->id/rehearsal", ['story' => 'outage', 'ghost' => str_repeat('x', 9000)]);
        $long->assertRedirectContains('kept=1');
        $this->get((string) $long->headers->get('Location'))->assertOk()->assertSee('Plain outage');
    }

    #[Test]
    public function the_sheet_begins_with_what_differs_from_the_template(): void
    {
        $user = $this->signIn();
        $switch = $this->switchOf($user);
        $this->get("/switches/$switch->id/settings")->assertSee('Jump to')->assertDontSee('Differs from the template');
        Sheet::query()->create(
            [
                'settings' => ['return_delay_ms' => 600_000] + $switch->sheet->settings,
                'version' => 2,
            ] + $switch->sheet->only(['company_id', 'switch_id', 'standing', 'habits', 'user_id']),
        );
        $this->get("/switches/$switch->id/settings")
            ->assertSee('Differs from the template in 1')
            ->assertSeeInOrder(['Return delay', '600 s', 'template']);
    }

    #[Test]
    public function the_head_of_the_company_stands_on_its_papers(): void
    {
        $lead = $this->signIn(Role::Lead);
        $fields = [
            'company_name' => 'Fern Standby',
            'telephone' => '+1 555 0177',
            'company_address' => '3 Fern Hill',
            'licence' => 'No. 12',
        ];
        $this->put('/company', ['telephone' => 'call us'] + $fields)->assertSessionHasErrors('telephone');
        $this->put('/company', $fields)->assertSessionHasNoErrors();
        self::assertSame('Fern Standby, +1 555 0177', $lead->company->refresh()->toCall());
        $run = $this->runOf($this->switchOf($lead));
        self::assertStringStartsWith('%PDF', (string) $this->get("/runs/$run->id/report.pdf")->assertOk()->getContent());
        $this->signIn(Role::Technician);
        $this->put('/company', $fields)->assertForbidden();
        self::assertSame('Fern Standby', User::query()->findOrFail($lead->id)->company->name);
    }

    #[Test]
    public function a_logo_is_drawn_anew_on_every_paper_and_taken_off_again(): void
    {
        $lead = $this->signIn(Role::Lead);
        $fields = ['company_name' => 'Fern Standby'];
        $png = UploadedFile::fake()->image('sign.png', 640, 200);
        $this->put('/company', ['logo' => UploadedFile::fake()->createWithContent('sign.svg', '<svg onload="x()"/>')] + $fields)
            ->assertSessionHasErrors('logo');
        $this->put('/company', ['logo' => $png] + $fields)->assertSessionHasNoErrors();
        $kept = CompanyLogo::query()->sole();
        self::assertStringStartsWith("\xFF\xD8\xFF", $kept->jpeg, 'JPEG, whatever was sent');
        $this->put('/company', $fields)->assertSessionHasNoErrors();
        self::assertSame(1, CompanyLogo::query()->count(), 'kept where none is sent');
        $this->get('/people')->assertSee('data:image/jpeg;base64,', false);
        $run = $this->runOf($this->switchOf($lead));
        $with = strlen((string) $this->get("/runs/$run->id/report.pdf")->assertOk()->getContent());
        self::assertNull(Company::query()->findOrFail(UserFactory::make()->company_id)->logo(), 'of one company only');
        $this->put('/company', ['without_logo' => '1'] + $fields)->assertSessionHasNoErrors();
        self::assertSame(0, CompanyLogo::query()->count());
        self::assertGreaterThan(500, $with - strlen((string) $this->get("/runs/$run->id/report.pdf")->getContent()));
    }

    #[Test]
    public function the_edition_of_the_company_holds_where_the_plan_says_no_other(): void
    {
        $lead = $this->signIn(Role::Lead);
        $switch = $this->switchOf($lead);
        $of = static fn(): ?string => CodeEdition::of($switch->refresh(), $switch->plan);
        self::assertNull($of());
        $this->put('/company', ['company_name' => 'Fern Standby', 'company_edition' => 'Model code, ninth edition'])
            ->assertSessionHasNoErrors();
        self::assertSame('Model code, ninth edition', $of());
        $this->get("/switches/$switch->id/class")->assertSee('here Model code, ninth edition');
        $this->get("/switches/$switch->id/plan")->assertSee('as the company, Model code, ninth edition');
        $switch->plan()->create([
            'company_id' => $switch->company_id, 'user_id' => $lead->id, 'facts' => ['code_edition' => 'Town code, tenth'],
        ]);
        self::assertSame('Town code, tenth', $of());
        $this->get("/switches/$switch->id/class")->assertSee('here Town code, tenth');
    }

    #[Test, DataProvider('kinds')]
    public function an_outage_is_begun_with_one_press_after_its_hazard(InstallationKind $kind): void
    {
        $switch = $this->switchOf($this->signIn(), $kind);
        $page = self::words($this->get("/switches/$switch->id/commission")->assertOk());
        $hazard = strpos($page, 'class="hazard');
        $button = strpos($page, 'begin a run');
        self::assertNotFalse($hazard);
        self::assertNotFalse($button);
        self::assertLessThan($button, $hazard, 'the hazard stands before the press');
        self::assertStringNotContainsString('it starts by itself', $kind->isMobile() || ! $kind->hasGenerator() ? $page : '');
    }

    /** @return iterable<string, array{InstallationKind}> */
    public static function kinds(): iterable
    {
        foreach (InstallationKind::cases() as $kind) {
            yield $kind->value => [$kind];
        }
    }
}
