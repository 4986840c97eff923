<?php

declare(strict_types=1);

namespace Tests;

use App\Bridge\RecordingSeries;
use App\Models\Photo;
use App\Models\Recording;
use App\Models\Role;
use App\Models\Run;
use App\Models\Scenario;
use App\Models\Sheet;
use App\Models\Site;
use App\Models\Standing;
use App\Models\TransferSwitch;
use App\Models\User;
use Database\Factories\UserFactory;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Recording\Series;
use Escapement\Core\Settings\Template\SheetTemplate;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Foundation\Testing\RefreshDatabaseState;
use Illuminate\Foundation\Testing\TestCase as BaseTestCase;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;

abstract class TestCase extends BaseTestCase
{
    use RefreshDatabase;

    protected function setUp(): void
    {
        parent::setUp();
        $this->withoutVite();
    }

    /** The ids of companies begin again with the tables: no company gets the key that one of an earlier run had. */
    protected function beforeRefreshingDatabase(): void
    {
        if (! RefreshDatabaseState::$migrated) {
            File::deleteDirectory(config()->string('app.keys'));
        }
    }

    /** A user of a company of their own, signed in. */
    protected function signIn(Role $role = Role::Technician): User
    {
        $user = UserFactory::make($role);
        $this->actingAs($user);

        return $user;
    }

    /** A site of the user's company with one switch and the template of its kind as version 1; it is known who opens upstream. */
    protected function switchOf(User $user, InstallationKind $kind = InstallationKind::WholeHouse): TransferSwitch
    {
        $template = new SheetTemplate($kind);
        $site = Site::query()->create([
            'company_id' => $user->company_id,
            'name' => 'Fern Hill 3',
            'timezone' => 'America/New_York',
            'units' => 'us',
            'installation' => $kind,
        ]);
        $switch = TransferSwitch::query()->create([
            'company_id' => $user->company_id, 'site_id' => $site->id, 'name' => 'Q1', 'application' => $template->application(),
            'plant' => $template->plant()->toArray(), 'rated_kw' => [],
            'survey' => $kind->isMobile() ? [] : [
                'upstream' => 'utility', 'inspection' => 'no',
            ] + ($kind->hasGenerator() ? [] : ['upstream_second' => 'utility']),
        ]);
        Sheet::query()->create([
            'company_id' => $user->company_id, 'switch_id' => $switch->id, 'version' => 1, 'standing' => Standing::AsFound,
            'settings' => $template->settings()->toWire(), 'habits' => ['load_tests_per_year' => 4], 'user_id' => $user->id,
        ]);

        return $switch;
    }

    /** An outage of a minute that the user's company keeps, written for 120 V. */
    protected function scenarioOf(User $user): Scenario
    {
        return Scenario::query()->create([
            'company_id' => $user->company_id,
            'user_id' => $user->id,
            'name' => 'Crew tries twice',
            'phases' => 2,
            'nominal_v' => 120,
            'nominal_hz' => 60,
            'events' => [
                ['at_ms' => 10_000, 'do' => 'set_source', 'source' => 'normal', 'v' => 0],
                ['at_ms' => 70_000, 'do' => 'set_source', 'source' => 'normal', 'v' => 120],
            ],
        ]);
    }

    protected function photoOf(User $user, int $switchId): Photo
    {
        $photo = Photo::query()->create([
            'id' => (string) Str::uuid(),
            'company_id' => $user->company_id,
            'switch_id' => $switchId,
            'user_id' => $user->id,
            'subject' => 'panels',
            'moment' => 'before',
            'width' => 40, 'height' => 30, 'sha256' => hash('sha256', 'a picture'),
        ]);
        ob_start();
        imagejpeg(imagecreatetruecolor(40, 30));
        $jpeg = (string) ob_get_clean();
        $photo->file()->create(['full' => $jpeg, 'small' => $jpeg]);

        return $photo;
    }

    /** Two voltages that are gone from second 20 to second 80. */
    protected function recordingOf(User $user): Recording
    {
        $series = new Series(2);
        foreach ([0 => 120.0, 20_000 => 0.0, 80_000 => 120.0] as $atMs => $v) {
            $series->add($atMs, [$v, $v], 60.0);
        }
        $series->untilMs = 200_000;

        return Recording::query()->create([
            'company_id' => $user->company_id,
            'user_id' => $user->id,
            'name' => 'Feeder',
            'source' => 'From feeder.csv',
            'phases' => 2,
            'nominal_v' => 120,
            'nominal_hz' => 60,
            'until_ms' => $series->untilMs, 'points' => 3, 'series' => RecordingSeries::pack($series),
        ]);
    }

    /**
     * A page as a reader meets it: a break of the line inside a sentence is one space.
     *
     * @param TestResponse<Response>|string $page
     */
    protected static function words(TestResponse|string $page): string
    {
        return (string) preg_replace('/\s+/', ' ', is_string($page) ? $page : (string) $page->getContent());
    }

    protected function runOf(TransferSwitch $switch): Run
    {
        $this->post(route('runs.begin', $switch), ['hazards_read' => '1'])->assertRedirect();

        return Run::query()->latest('id')->firstOrFail();
    }
}
