<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Circuit;
use App\Models\CircuitDraft;
use App\Models\Role;
use App\Models\TransferSwitch;
use App\Models\User;
use Database\Factories\UserFactory;
use Database\Seeders\DemoCircuits;
use Escapement\Core\Plant\InstallationKind;
use Illuminate\Http\UploadedFile;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Tests\GuardsStatus;
use Tests\TestCase;

/** The control circuit of a panel: begun, drawn, proved, repaired, played, wired. */
final class CircuitTest extends TestCase
{
    use GuardsStatus;
    /** @return iterable<string, array{InstallationKind, string}> */
    public static function standard(): iterable
    {
        yield 'two transformers' => [InstallationKind::ContactorPair, 'a'];
        yield 'generator on contactors' => [InstallationKind::ContactorGenerator, 'b'];
        yield 'generator on contactors, timers and selector' => [InstallationKind::ContactorGenerator, 'c'];
        yield 'motor changeover' => [InstallationKind::MotorDriven, 'd'];
    }

    #[Test, DataProvider('standard')]
    public function a_standard_circuit_is_begun_proved_played_and_wired(InstallationKind $kind, string $key): void
    {
        $switch = $this->switchOf($this->signIn(), $kind);
        $page = "/switches/$switch->id/circuit";
        $this->get($page)->assertOk()->assertSee('Standard circuits');
        $this->post($page, ['begin' => $key])->assertRedirect($page);
        $circuit = Circuit::query()->firstOrFail();
        self::assertSame('done', $circuit->proof_state);
        $this->get($page)->assertOk()->assertSee('all searched')->assertSee('What it settles to')->assertDontSee('Back-feed');
        $this->get("$page/edit")->assertOk()->assertSee('Devices');
        $this->get("$page/terminals")->assertOk()->assertSee('Continuity, dead')->assertSee('proved dead first');
        $this->get("$page/terminals.pdf")->assertOk()->assertHeader('Content-Type', 'application/pdf');
        $this->get("$page.svg")->assertOk()->assertSee('<svg', false);
        foreach (['outage', 'phase-1', 'reversed', 'bait'] as $story) {
            $this->get("$page/play?story=$story")->assertOk()->assertSee('Load without power')->assertSee('Covered by the proof');
        }
    }

    #[Test]
    public function a_circuit_goes_out_as_json_and_comes_in_as_the_same(): void
    {
        $switch = $this->circuitOf('c', 'right');
        $json = (string) $this->get("/switches/$switch->id/circuit.json")->assertOk()->getContent();
        $other = $this->switchOf($this->user(), InstallationKind::ContactorGenerator);
        $this->post("/switches/$other->id/circuit", ['begin' => 'file', 'file' => self::file($json)])->assertSessionHasNoErrors();
        self::assertCount(1, array_unique(Circuit::query()->pluck('document')->all()));
        $this->post("/switches/$other->id/circuit", ['begin' => 'a'])->assertSessionHasErrors('begin');
    }

    /** @return iterable<string, array{string, string}> file and what is said of it */
    public static function files(): iterable
    {
        yield 'nothing' => ['', 'Choose a file'];
        yield 'no JSON' => ['{"phases":', 'not JSON'];
        yield 'a list' => ['[]', 'The file'];
        yield 'no devices' => ['{"phases":3,"supplies":[{"id":"m"}],"preferred":"m","mechanical_interlock":true}', '/devices'];
        yield 'a NUL byte' => ["{\"phases\":\0", 'not JSON'];
        $deep = str_repeat('{"all":[', 400) . str_repeat(']}', 400);
        yield 'nested without end' => ["{\"phases\":3,\"x\":$deep}", ''];
    }

    #[Test, DataProvider('files')]
    public function a_file_that_is_no_circuit_is_refused_with_its_place(string $text, string $said): void
    {
        $switch = $this->switchOf($this->signIn(), InstallationKind::ContactorGenerator);
        $answer = $this->post("/switches/$switch->id/circuit", ['begin' => 'file', 'file' => self::file($text)]);
        $answer->assertSessionHasErrors('file');
        self::assertStringContainsString($said, (string) session('errors')?->first('file'));
        self::assertSame(0, Circuit::query()->count());
    }

    #[Test]
    public function a_missing_interlock_stops_the_site_and_one_press_puts_it_right(): void
    {
        $switch = $this->circuitOf('b', 'wrong');
        $page = "/switches/$switch->id/circuit";
        $this->get($page)->assertSee('Back-feed')->assertSee('Counter-example')->assertSee('Steps to both closed, as lanes')
            ->assertSee('are both closed')
            ->assertSee('Add the normally closed contact of K1')->assertSee('circuit: 2 stops');
        $this->get('/')->assertSee('the control circuit does not prove');
        $this->get("$page?propose=interlock-missing@K2")->assertSee('Proposed:');
        $this->get("$page?step=1&fault=weld:K1")->assertOk()->assertSee('K1 welded');
        $this->post("$page/repair", ['repair' => 'interlock-missing@K2'])->assertSessionHas('said');
        $this->get($page)->assertDontSee('Back-feed')->assertDontSee('Counter-example');
        $this->post("$page/repair", ['repair' => 'interlock-missing@K2'])->assertSessionHasErrors('repair');
    }

    #[Test]
    public function a_ladder_is_drawn_step_by_step_with_undo_and_becomes_the_circuit_when_it_is_saved(): void
    {
        $switch = $this->switchOf($this->signIn(), InstallationKind::ContactorGenerator);
        $page = "/switches/$switch->id/circuit";
        $this->post($page, ['begin' => 'blank'])->assertRedirect("$page/edit");
        $this->edit($switch, ['verb' => 'put-device', 'type' => 'phase_relay', 'id' => 'PF1', 'supply' => 'mains']);
        $this->edit($switch, ['verb' => 'put-device', 'type' => 'timer', 'id' => 'T1', 'seconds' => '30', 'mode' => 'on_delay']);
        $this->edit($switch, ['verb' => 'add-rung', 'coil' => 'T1', 'supply' => 'mains']);
        $this->edit($switch, ['verb' => 'add-contact', 'at' => 'r1', 'of' => 'no PF1', 'label' => '15-18']);
        $this->edit($switch, ['verb' => 'add-contact', 'at' => 'r1:0', 'of' => 'nc K2', 'place' => 'before']);
        self::assertStringContainsString('{"all":[{"nc":"K2"},{"no":"PF1","contact":"15-18"}]}', $this->draft()->document());
        $this->edit($switch, ['verb' => 'undo']);
        self::assertStringNotContainsString('"nc":"K2"', $this->draft()->document());
        $this->edit($switch, ['verb' => 'redo']);
        self::assertStringContainsString('"nc":"K2"', $this->draft()->document());
        $this->get("$page/edit?at=r1:1")->assertSee('Contact PF1 15-18')->assertSee('Your draft');
        self::assertStringNotContainsString('PF1', Circuit::query()->firstOrFail()->document);
        $this->put($page)->assertRedirect($page);
        self::assertStringContainsString('PF1', Circuit::query()->firstOrFail()->document);
        self::assertSame(0, CircuitDraft::query()->count());
    }

    /** @return iterable<string, array{array<string, string>, string}> */
    public static function edits(): iterable
    {
        yield 'a name in use' => [['verb' => 'put-device', 'type' => 'lamp', 'id' => 'K1'], 'id'];
        yield 'a name of a supply' => [['verb' => 'put-device', 'type' => 'lamp', 'id' => 'mains'], 'id'];
        yield 'no name' => [['verb' => 'put-device', 'type' => 'lamp', 'id' => ''], 'id'];
        yield 'a timer of no time' => [['verb' => 'put-device', 'type' => 'timer', 'id' => 'T9', 'seconds' => '0'], 'seconds'];
        yield 'a timer in words' => [['verb' => 'put-device', 'type' => 'timer', 'id' => 'T9', 'seconds' => 'a bit'], 'seconds'];
        yield 'a third power contactor' => [['verb' => 'put-device', 'type' => 'contactor', 'id' => 'K3', 'supply' => 'gen'], 'edit'];
        yield 'a device in use' => [['verb' => 'remove-device', 'id' => 'K1'], 'id'];
        yield 'a coil twice' => [['verb' => 'add-rung', 'coil' => 'K1', 'supply' => 'mains'], 'coil'];
        yield 'no such coil' => [['verb' => 'add-rung', 'coil' => 'K77', 'supply' => 'mains'], 'coil'];
        yield 'no such contact' => [['verb' => 'remove-contact', 'at' => 'r2:9'], 'contact'];
        yield 'a contact of nothing' => [['verb' => 'add-contact', 'at' => 'r2:0', 'of' => 'no ZZ'], 'of'];
        yield 'a contact of a lamp' => [['verb' => 'add-contact', 'at' => 'r2:0', 'of' => 'no HM'], 'edit'];
        yield 'terminals in words' => [['verb' => 'add-contact', 'at' => 'r2:0', 'of' => 'no K2', 'label' => 'left'], 'label'];
        yield 'a preferred source that is none' => [['verb' => 'facts', 'preferred' => 'sun', 'system_class' => 'none'], 'preferred'];
        yield 'nothing that is known' => [['verb' => 'explode'], 'verb'];
    }

    /** @param array<string, string> $edit */
    #[Test, DataProvider('edits')]
    public function an_edit_that_makes_no_circuit_is_refused_at_its_field_and_the_draft_stays(array $edit, string $field): void
    {
        $switch = $this->circuitOf('b', 'right');
        $this->post("/switches/$switch->id/circuit/draft", $edit)->assertSessionHasErrors($field);
        self::assertSame(0, CircuitDraft::query()->count());
    }

    #[Test]
    public function two_people_draw_at_once_and_the_second_is_told_before_the_first_is_replaced(): void
    {
        $switch = $this->circuitOf('b', 'right');
        $first = $this->user();
        $second = UserFactory::make(Role::Technician, $first->company_id);
        $lamp = ['verb' => 'put-device', 'type' => 'lamp', 'id' => 'H9'];
        $this->actingAs($second)->post("/switches/$switch->id/circuit/draft", $lamp)->assertSessionHasNoErrors();
        $this->actingAs($first)->post("/switches/$switch->id/circuit/draft", ['id' => 'H8'] + $lamp)->assertSessionHasNoErrors();
        $this->put("/switches/$switch->id/circuit")->assertSessionHasNoErrors();
        $this->actingAs($second)->put("/switches/$switch->id/circuit")->assertSessionHasErrors('edit');
        $this->get("/switches/$switch->id/circuit/edit")->assertSee('saved this circuit after you began')->assertSee('H9');
        $this->put("/switches/$switch->id/circuit", ['take' => '1'])->assertSessionHasNoErrors();
        self::assertStringContainsString('H9', Circuit::query()->firstOrFail()->document);
    }

    #[Test]
    public function an_own_script_with_a_fault_says_what_is_wrong_and_keeps_the_rest(): void
    {
        $switch = $this->circuitOf('b', 'right');
        $play = "/switches/$switch->id/circuit/play?" . http_build_query(['rows' => [
            ['at' => '5', 'what' => 'volts mains', 'volts' => '0'],
            ['at' => 'soon', 'what' => 'restore mains'],
            ['at' => '9', 'what' => 'volts mains', 'volts' => '9000'],
        ]]);
        $this->get($play)->assertOk()->assertSee('Seconds from the start')->assertSee('Volts line to neutral')
            ->assertSee('value="soon"', false);
        $good = "/switches/$switch->id/circuit/play?" . http_build_query(['rows' => [
            ['at' => '1', 'what' => 'fault weld K1'], ['at' => '5', 'what' => 'lose_phase mains 2'], ['at' => '', 'what' => ''],
        ]]);
        $this->get($good)->assertOk()->assertSee('PFM trips')->assertSee('a phase is lost')->assertSee('no: with a fault');
        $this->get("/switches/$switch->id/circuit/play?rows[0]=x&story[]=y&t[]=3")->assertOk();
    }

    #[Test]
    public function measured_times_take_the_place_of_the_usual_ones(): void
    {
        $switch = $this->circuitOf('b', 'right');
        $page = "/switches/$switch->id/circuit";
        $this->put("$page/times", ['times' => ['K1' => ['drop_ms' => '40', 'pick_ms' => ''], 'T1' => ['deviation_pct' => '-4,5']]])
            ->assertSessionHasNoErrors();
        $this->get("$page/play?story=outage")->assertSee('value="40"', false)->assertSee('value="-4.5"', false);
        $wrong = [['K1', 'drop_ms', '1.5'], ['K1', 'pick_ms', '0'], ['K1', 'travel_ms', '900'], ['T1', 'deviation_pct', 'x']];
        foreach ($wrong as [$device, $key, $value]) {
            $this->put("$page/times", ['times' => [$device => [$key => $value]]])->assertSessionHasErrors("times.$device.$key");
        }
    }

    #[Test]
    public function a_search_that_is_cancelled_says_so_and_can_be_begun_again(): void
    {
        $switch = $this->circuitOf('b', 'right');
        $page = "/switches/$switch->id/circuit";
        Circuit::query()->update(['proof_state' => 'running', 'proof_done' => 3, 'proof_of' => 28]);
        $this->get($page)->assertSee('3 of 28')->assertSee('Cancel the search');
        $this->get("$page?seen=3", ['HX-Request' => 'true'])->assertNoContent();
        $this->post("$page/cancel");
        $this->get($page)->assertSee('The search was cancelled')->assertSee('Not proved');
        $this->post("$page/prove");
        $this->get($page)->assertSee('all searched');
    }

    private function circuitOf(string $key, string $how): TransferSwitch
    {
        $switch = $this->switchOf($this->signIn(), InstallationKind::ContactorGenerator);
        $demo = new DemoCircuits();
        $how === 'right'
            ? $demo->standard($switch, $this->user(), $key)
            : $demo->withoutInterlock($switch, $this->user(), $key);

        return $switch;
    }

    private function user(): User
    {
        return User::query()->oldest('id')->firstOrFail();
    }

    private function draft(): CircuitDraft
    {
        return CircuitDraft::query()->firstOrFail();
    }

    /** @param array<string, string> $fields */
    private function edit(TransferSwitch $switch, array $fields): void
    {
        $this->post("/switches/$switch->id/circuit/draft", $fields)->assertSessionHasNoErrors();
    }

    private static function file(string $text): UploadedFile
    {
        return UploadedFile::fake()->createWithContent('circuit.json', $text);
    }
}
