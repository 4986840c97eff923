<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Photo;
use App\Models\TransferSwitch;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Survey\Subject;
use Illuminate\Http\UploadedFile;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

/** What a class, a service and a place must have: asked in the survey, shown on a page of its own, judged on the one-line. */
final class ClassTest extends TestCase
{
    #[Test, DataProvider('kinds')]
    public function every_type_has_its_page_and_its_fault_currents(InstallationKind $kind): void
    {
        $switch = $this->surveyed($kind);
        $this->get("/switches/$switch->id/class")->assertOk()->assertSee('What this class asks');
        $this->get("/switches/$switch->id/plan?fault=1")->assertOk()->assertSee('Fault current and ratings');
    }

    /** @param array<string, mixed> $survey */
    private function surveyed(InstallationKind $kind, array $survey = []): TransferSwitch
    {
        $switch = $this->switchOf($this->signIn(), $kind);
        $switch->update([
            'survey' => $survey + ($switch->survey ?? []), 'fuel' => 'diesel', 'rated_kw' => ['diesel' => 20], 'rating_a' => 200,
        ]);

        return $switch;
    }

    /** @return iterable<string, array{InstallationKind}> */
    public static function kinds(): iterable
    {
        foreach (InstallationKind::cases() as $kind) {
            yield $kind->value => [$kind];
        }
    }

    #[Test]
    public function a_declaration_goes_from_the_survey_to_the_class_page_and_to_the_one_line(): void
    {
        $switch = $this->surveyed(InstallationKind::MotorDriven);
        $this->get("/switches/$switch->id/class")->assertSee('not known')->assertDontSee('Start circuit is supervised');
        $this->put("/switches/$switch->id/survey/rules", [
            'answers' => ['system_class' => 'emergency', 'start_circuit_supervised' => 'no', 'panel_aic_ka' => '18'],
        ])->assertSessionHasNoErrors();
        $this->get("/switches/$switch->id/class")->assertSeeText('Start circuit is supervised')->assertSee('NEC 700.10')
            ->assertSee('18 kA')->assertSee('From loss to load');
        $this->get("/switches/$switch->id/plan")->assertSee('finding-start-circuit-unsupervised', false)
            ->assertSee('confirm in the edition in force');
    }

    #[Test]
    public function a_figure_that_is_none_is_refused_at_its_field_and_kept(): void
    {
        $switch = $this->surveyed(InstallationKind::WholeHouse);
        $page = "/sites/$switch->site_id?on=rules";
        $this->from($page)->put("/switches/$switch->id/survey/rules", ['answers' => ['service_aic_ka' => 'ten', 'system_class' => 'royal']])
            ->assertSessionHasErrors(['answers.service_aic_ka', 'answers.system_class']);
        $this->get($page)->assertSee('value="ten"', false);
        $this->put("/switches/$switch->id/plan", ['transformer_kva' => '50'])->assertSessionHasErrors(['transformer_z_pct']);
    }

    #[Test]
    public function a_picture_makes_a_declared_fact_a_shown_one(): void
    {
        $switch = $this->surveyed(InstallationKind::WholeHouse, ['source_sign' => 'yes']);
        $picture = static fn(string $shows): array => [
            'photos' => [UploadedFile::fake()->image("$shows.jpg", 40, 30)], 'subject' => Subject::Rules->value, 'moment' => 'after',
            'shows' => $shows,
        ];
        $shown = fn(): string => (string) preg_replace(
            '/\s+/',
            ' ',
            strip_tags((string) $this->get("/switches/$switch->id/class")->getContent()),
        );
        self::assertStringContainsString('Shown by a picture 0', $shown());
        $this->post("/switches/$switch->id/photos", $picture('royal_sign'))->assertSessionHasErrors('shows');
        $this->post("/switches/$switch->id/photos", $picture('source_sign'))->assertSessionHasNoErrors();
        self::assertStringContainsString('Shown by a picture 1', $shown());
        $photo = Photo::query()->firstOrFail();
        $this->put("/photos/$photo->id", ['subject' => Subject::Rules->value, 'moment' => 'after', 'shows' => ''])
            ->assertSessionHasNoErrors();
        self::assertStringContainsString('Shown by a picture 0', $shown());
    }

    #[Test]
    public function the_figures_of_utility_and_generator_stand_at_every_enclosure(): void
    {
        $switch = $this->surveyed(InstallationKind::TwoPanels, ['panel_aic_ka' => 10]);
        $this->get("/switches/$switch->id/plan?fault=1")->assertSee('not known');
        $this->put("/switches/$switch->id/plan", [
            'transformer_kva' => '50', 'transformer_z_pct' => '2', 'generator_xd2_pct' => '12', 'withstand_ka' => '22',
        ])->assertSessionHasNoErrors();
        $page = $this->get("/switches/$switch->id/plan?fault=1")->assertOk();
        $page->assertSee('fault-exceeded', false)->assertSee('sustained')->assertSee('finding-interrupting-rating-exceeded', false);
        $this->get("/switches/$switch->id/plan.svg?fault=1")->assertOk();
    }
}
