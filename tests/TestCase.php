<?php

declare(strict_types=1);

namespace Tests;

use App\Models\Role;
use App\Models\Run;
use App\Models\Sheet;
use App\Models\Site;
use App\Models\Standing;
use App\Models\TransferSwitch;
use App\Models\User;
use Database\Factories\UserFactory;
use Escapement\Core\Template\InstallationKind;
use Escapement\Core\Template\SheetTemplate;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Foundation\Testing\TestCase as BaseTestCase;

abstract class TestCase extends BaseTestCase
{
    use RefreshDatabase;

    protected function setUp(): void
    {
        parent::setUp();
        $this->withoutVite();
    }

    /** A user of a company of their own, signed in. */
    protected function signIn(Role $role = Role::Technician): User
    {
        $user = UserFactory::make($role);
        $this->actingAs($user);

        return $user;
    }

    /** A site of the user's company with one switch and the template of its kind as version 1. */
    protected function switchOf(User $user, InstallationKind $kind = InstallationKind::WholeHouse): TransferSwitch
    {
        $template = new SheetTemplate($kind);
        $site = Site::query()->create(['company_id' => $user->company_id, 'name' => 'Fern Hill 3', 'timezone' => 'America/New_York', 'units' => 'us', 'installation' => $kind]);
        $switch = TransferSwitch::query()->create([
            'company_id' => $user->company_id, 'site_id' => $site->id, 'name' => 'Q1', 'application' => $template->application(),
            'plant' => $template->plant()->toArray(), 'rated_kw' => [],
        ]);
        Sheet::query()->create([
            'company_id' => $user->company_id, 'switch_id' => $switch->id, 'version' => 1, 'standing' => Standing::AsFound,
            'settings' => $template->settings()->toWire(), 'habits' => ['load_tests_per_year' => 4], 'user_id' => $user->id,
        ]);

        return $switch;
    }

    protected function runOf(TransferSwitch $switch): Run
    {
        $this->post(route('runs.begin', $switch), ['hazards_read' => '1'])->assertRedirect();

        return Run::query()->latest('id')->firstOrFail();
    }
}
