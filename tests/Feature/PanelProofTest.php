<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Circuit;
use App\Models\Run;
use App\Models\Sheet;
use App\Models\Standing;
use App\Models\TransferSwitch;
use App\Models\User;
use App\Stage\Commissioning\OpenRun;
use Database\Seeders\DemoCircuits;
use Escapement\Core\Plant\InstallationKind;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Tests\GuardsStatus;
use Tests\TestCase;

/** A changeover panel is proved by its own circuit: sheet, procedure, verdict, labels and report ask the same one. */
final class PanelProofTest extends TestCase
{
    use GuardsStatus;

    #[Test, DataProvider('panels')]
    public function the_sheet_says_where_it_differs_and_takes_what_the_circuit_does_with_one_press(
        InstallationKind $kind,
        string $key,
    ): void {
        $switch = $this->panel($kind, $key);
        $page = "/switches/$switch->id/settings";
        $this->get($page)->assertOk()->assertSee('Against the control circuit')->assertSee('differs')
            ->assertSee('Propose the sheet that the circuit keeps');
        $seen = (int) $switch->sheets()->max('version');
        $this->post("$page/circuit", ['seen_version' => $seen])->assertRedirect($page)->assertSessionHasNoErrors();
        $sheet = Sheet::query()->where('switch_id', $switch->id)->orderByDesc('version')->firstOrFail();
        self::assertSame([$seen + 1, Standing::Proposed], [$sheet->version, $sheet->standing]);
        $this->get($page)->assertOk()->assertSee('they agree')->assertDontSee('Propose the sheet that the circuit keeps');
    }

    /** @return iterable<string, array{InstallationKind, string}> */
    public static function panels(): iterable
    {
        yield from CircuitTest::standard();
    }

    #[Test]
    public function who_has_not_seen_the_newest_sheet_is_told_and_nothing_is_written(): void
    {
        $switch = $this->panel();
        $versions = $switch->sheets()->count();
        $this->post("/switches/$switch->id/settings/circuit", ['seen_version' => 0])->assertSessionHas(
            'said',
            'Somebody has written a newer sheet in the meantime. Look at it first.',
        );
        self::assertSame($versions, $switch->sheets()->count());
        $house = $this->switchOf($this->user());
        $this->post("/switches/$house->id/settings/circuit", ['seen_version' => 1])->assertStatus(409);
        $this->get("/switches/$house->id/settings")->assertOk()->assertDontSee('Against the control circuit');
    }

    #[Test]
    public function a_run_rings_the_panel_out_and_keeps_the_circuit_it_was_begun_with(): void
    {
        $switch = $this->panel();
        $run = $this->begun($switch);
        $page = "/runs/$run->id/procedure";
        $this->get($page)->assertOk()->assertSee('Ring out the control circuit: K1 held in by hand')
            ->assertSee('Dials of PFM, as found')->assertSee('Lose L2 of mains: seconds from the loss to the load')
            ->assertSee('gen alone, without load: mains open')->assertSee('the sheet says');
        $this->put("/switches/$switch->id/circuit/times", ['times' => ['PFM' => ['under_pct' => '70']]])->assertSessionHasNoErrors();
        $this->get($page)->assertSee('under 85 %')->assertDontSee('under 70 %');
        $this->post("/runs/$run->id/follow")->assertSessionHasNoErrors();
        $this->get($page)->assertSee('under 70 %');
        $this->get("/runs/$run->id/report")->assertOk()->assertSee('chain whole');
    }

    #[Test]
    public function a_panel_whose_circuit_can_close_both_is_stopped_before_anything_is_energized(): void
    {
        $switch = $this->panel(InstallationKind::ContactorPair, 'a', isWrong: true);
        $run = $this->begun($switch);
        $page = self::words($this->get("/runs/$run->id/procedure")->assertOk());
        self::assertStringContainsString('Both sources can be closed at once.', $page);
        self::assertContains(
            'Both sources can be closed at once. Lethal: two sources in parallel, back-feed into the utility, or a dead short. '
                . 'Add the electrical interlock, and a mechanical one.',
            $run->work['panel']['stops'] ?? [],
        );
    }

    #[Test]
    public function a_panel_that_nobody_has_drawn_is_rung_out_by_its_makers_diagram(): void
    {
        $switch = $this->switchOf($this->signIn(), InstallationKind::MotorDriven);
        $run = $this->begun($switch);
        $this->get("/runs/$run->id/procedure")->assertOk()->assertSee('rung out by its maker')
            ->assertSee('Handle in: the motor is locked out')->assertDontSee('Ring out the control circuit: nothing operated');
    }

    #[Test]
    public function the_bank_of_the_meters_page_is_waited_for_on_the_way_back(): void
    {
        $switch = $this->panel(InstallationKind::MotorDriven, 'd');
        $this->put("/switches/$switch->id/capacitors", [
            'kw' => '60', 'pf' => '0.8', 'target_pf' => '0.95', 'v_ll_v' => '400', 'steps' => '5 10', 'discharge_s' => '60',
            'reconnect_s' => '90',
        ])->assertSessionHasNoErrors();
        $run = $this->begun($switch);
        $this->get("/runs/$run->id/procedure")->assertSee('Capacitor bank off on the generator')->assertSee('90 s at least');
    }

    #[Test]
    public function its_labels_warn_of_the_other_source_in_the_control_circuit(): void
    {
        $switch = $this->panel();
        $this->get("/switches/$switch->id/labels.pdf")->assertOk()->assertHeader('Content-Type', 'application/pdf');
    }

    private function panel(
        InstallationKind $kind = InstallationKind::ContactorGenerator,
        string $key = 'b',
        bool $isWrong = false,
    ): TransferSwitch {
        $user = $this->signIn();
        $switch = $this->switchOf($user, $kind);
        $demo = new DemoCircuits();
        $isWrong ? $demo->withoutInterlock($switch, $user, $key) : $demo->standard($switch, $user, $key);
        self::assertSame('done', Circuit::query()->where('switch_id', $switch->id)->firstOrFail()->proof_state);

        return $switch;
    }

    private function begun(TransferSwitch $switch): Run
    {
        return app(OpenRun::class)->open($switch->fresh() ?? $switch, $this->user(), 500);
    }

    private function user(): User
    {
        return User::query()->firstOrFail();
    }
}
