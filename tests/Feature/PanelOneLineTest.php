<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\CapacitorBank;
use App\Models\TransferSwitch;
use Database\Seeders\DemoCircuits;
use Escapement\Core\Plant\InstallationKind;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

/** The one-line of a three-phase panel: conductors, earths, bus bars, and what a lost phase leaves. */
final class PanelOneLineTest extends TestCase
{
    #[Test]
    public function the_ways_stand_on_the_bus_bars_and_what_sheds_is_open_on_the_generator(): void
    {
        $switch = $this->board();
        $page = "/switches/$switch->id/plan";
        $this->get($page)->assertOk()->assertSee('Bus bars 630')->assertSee('Pump 2: fed')->assertSee('25 kvar')->assertDontSee('bank off');
        $this->get("$page?on=emergency")->assertSee('Pump 2: shed')->assertSee('Pump 1: fed')->assertSee('bank off');
        $this->get("$page?on=off")->assertSee('Pump 1: dark');
        foreach (['plan.svg', 'one-line.pdf'] as $paper) {
            $this->get("/switches/$switch->id/$paper?lost=L2")->assertOk();
        }
    }

    #[Test]
    public function a_lost_phase_darkens_its_ways_and_the_circuit_says_how_long(): void
    {
        $switch = $this->board();
        $page = self::words($this->get("/switches/$switch->id/plan?lost=L2")->assertOk());
        $lost = 'L2 of mains lost: by its circuit the load is on gen after';
        foreach (['Pump 1: two phases', 'Sockets: dark', 'Controls: fed', 'L2 lost', $lost] as $told) {
            self::assertStringContainsString($told, $page);
        }
        self::assertStringNotContainsString('L2 of mains lost', self::words($this->get("/switches/$switch->id/plan")));
        $this->get("/switches/$switch->id/plan?lost=L9")->assertOk()->assertDontSee('L9 lost');
    }

    #[Test, DataProvider('panels')]
    public function a_panel_of_which_nothing_is_known_says_so_with_question_marks(InstallationKind $kind): void
    {
        $switch = $this->switchOf($this->signIn(), $kind);
        $switch->update(['poles' => null]);
        $page = $this->get("/switches/$switch->id/plan")->assertOk()->assertSee('earth ?')->assertSee('3 poles or 4: ?')
            ->assertDontSee('Bus bars');
        $kind->hasGenerator() ? $page->assertSee('G generator') : $page->assertSee('2 second supply')->assertDontSee('G generator');
    }

    /** @return iterable<string, array{InstallationKind}> */
    public static function panels(): iterable
    {
        yield from MetersTest::kinds();
    }

    #[Test]
    public function a_house_has_no_phase_to_lose(): void
    {
        $switch = $this->switchOf($this->signIn());
        $this->get("/switches/$switch->id/plan?lost=L1")->assertOk()->assertDontSee('Phase lost')->assertDontSee('L1 lost');
    }

    private function board(): TransferSwitch
    {
        $user = $this->signIn();
        $switch = $this->switchOf($user, InstallationKind::MotorDriven);
        $demo = new DemoCircuits();
        $demo->standard($switch, $user, 'd');
        $demo->board($switch, $user);
        CapacitorBank::query()->create([
            'company_id' => $switch->company_id, 'switch_id' => $switch->id, 'user_id' => $user->id, 'kw' => 60, 'pf' => 0.8,
            'target_pf' => 0.95, 'v_ll_v' => 400, 'steps_kvar' => [5, 10, 10],
        ]);

        return $switch;
    }
}
