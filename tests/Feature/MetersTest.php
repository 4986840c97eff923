<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Drawing\Phasor\PhasorDiagram;
use App\Models\CapacitorBank;
use App\Models\Distribution;
use App\Models\MeterReading;
use App\Models\TransferSwitch;
use Escapement\Core\Plant\InstallationKind;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

/** Panel meters are read, judged and drawn; a capacitor bank is chosen; what is not known is not judged. */
final class MetersTest extends TestCase
{
    private const READ = [
        'rotation' => 'abc', 'v_v' => ['230', '229', '231'], 'a_a' => ['100', '98', '101'], 'pf' => ['0.9', '0.9', '0.9'],
        'ct_primary_a' => '200', 'ct_secondary_a' => '5',
    ];
    private const BANK = ['kw' => '60', 'pf' => '0,8', 'target_pf' => '0.95', 'v_ll_v' => '400', 'steps' => '5, 10 10; 20'];

    #[Test, DataProvider('kinds')]
    public function every_panel_has_the_page_and_nothing_is_judged_before_it_is_read(InstallationKind $kind): void
    {
        $switch = $this->switchOf($this->signIn(), $kind);
        $page = "/switches/$switch->id/meters";
        $this->get($page)->assertOk()->assertSee('Nothing is read yet.')->assertSee('Never open a current transformer')
            ->assertDontSee('They are not connected');
        $this->post($page, self::READ)->assertSessionHasNoErrors();
        $this->get($page)->assertSee('The transformers are not judged')->assertSee('angles assumed')->assertSee('0.900');
    }

    /** @return iterable<string, array{InstallationKind}> */
    public static function kinds(): iterable
    {
        foreach (InstallationKind::cases() as $kind) {
            if ($kind->isThreePhase()) {
                yield $kind->value => [$kind];
            }
        }
    }

    #[Test]
    public function a_transformer_that_is_turned_round_is_named_by_angles_and_by_power(): void
    {
        $switch = $this->panel();
        $page = "/switches/$switch->id/meters";
        $angles = ['v_deg' => ['0', '-120', '120'], 'i_deg' => ['-26', '34', '94']];
        $this->post($page, $angles + self::READ)->assertSessionHasNoErrors();
        $this->get($page)->assertSee('by the angles')->assertSee('Channel 2 carries the transformer of L2, turned round.')
            ->assertSee('L1, L2, L3')->assertDontSee('angles assumed');
        $this->post($page, ['kw' => ['20,7', '20.2', '-21']] + self::READ)->assertSessionHasNoErrors();
        $this->get($page)->assertSee('by the power of each channel')->assertSee('Channel 3 carries the transformer of L3, turned round.');
        $first = MeterReading::query()->orderBy('id')->firstOrFail();
        $this->get("$page?reading=$first->id")->assertSee('Channel 2 carries the transformer of L2, turned round.');
        $this->get("$page?reading=nonsense")->assertOk();
    }

    #[Test]
    public function three_pasted_lines_are_as_good_as_typing(): void
    {
        $switch = $this->panel();
        $page = "/switches/$switch->id/meters";
        $lines = "L1: 230 100 0.9 20.7 0 -26\nL2: 229\t98\t0.9\t20.2\t-120\t-146\nL3: 231; 101; 0.9; 21; 120; 94";
        $this->post($page, ['rotation' => 'abc', 'pasted' => $lines])->assertSessionHasNoErrors();
        $kept = MeterReading::query()->sole();
        self::assertEquals([[230, 229, 231], [-26, -146, 94]], [$kept->v_v, $kept->i_deg]);
        $this->get($page)->assertSee('Each channel carries its own transformer, the right way round');
        $this->post($page, ['rotation' => 'abc', 'pasted' => "230 100 -\n229 98 -\n231 101 -"])->assertSessionHasNoErrors();
        foreach (["230 100\n229 98", "230\n229\n231", "1 2 3 4 5 6 7\n1 2\n1 2", "volts amps\n1 2\n1 2"] as $bad) {
            $this->post($page, ['rotation' => 'abc', 'pasted' => $bad])->assertSessionHasErrors()->assertSessionHasInput('pasted', $bad);
        }
        self::assertSame(2, MeterReading::query()->count());
    }

    /** @param array<string, mixed> $change */
    #[Test, DataProvider('faults')]
    public function what_cannot_be_read_stands_at_its_field_and_nothing_is_kept(array $change, string $field): void
    {
        $switch = $this->panel();
        $this->post("/switches/$switch->id/meters", array_replace(self::READ, $change))->assertSessionHasErrors($field);
        self::assertSame(0, MeterReading::query()->count());
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function faults(): iterable
    {
        yield 'no currents' => [['a_a' => ['', '', '']], 'a_a.0'];
        yield 'two of three' => [['pf' => ['0.9', '', '0.9']], 'pf.1'];
        yield 'a word' => [['v_v' => ['230', 'many', '230']], 'v_v.1'];
        yield 'a power factor above one' => [['pf' => ['0.9', '1.2', '0.9']], 'pf.1'];
        yield 'angles of currents alone' => [['i_deg' => ['0', '-120', '120']], 'i_deg.0'];
        yield 'no voltage at all' => [['v_v' => ['', '', '']], 'v_v.0'];
        yield 'a text for a list' => [['v_v' => 'x'], 'v_v.0'];
        yield 'no order' => [['rotation' => 'cab'], 'rotation'];
        yield 'a transformer of nothing' => [['ct_primary_a' => '0'], 'ct_primary_a'];
        yield 'a long note' => [['note' => str_repeat('x', 301)], 'note'];
    }

    #[Test]
    public function a_bank_is_chosen_locked_out_on_the_generator_and_two_who_change_it_are_asked(): void
    {
        $switch = $this->panel();
        Distribution::query()->create([
            'company_id' => $switch->company_id, 'switch_id' => $switch->id, 'user_id' => $this->app['auth']->id(), 'generator_kva' => 100,
            'diversity' => 'none', 'neutral_sequence' => 'overlapping',
        ]);
        $page = "/switches/$switch->id/capacitors";
        $this->put($page, ['steps' => '5, none'] + self::BANK)->assertSessionHasErrors('steps');
        $this->put($page, ['pf' => '1.5'] + self::BANK)->assertSessionHasErrors('pf');
        $this->put($page, ['generator_kw' => '10', 'generator_pf' => '0.9'] + self::BANK)->assertSessionHasNoErrors();
        $bank = CapacitorBank::query()->sole();
        self::assertEquals([[5, 10, 10, 20], 0.8], [$bank->steps_kvar, $bank->pf]);
        $this->get("/switches/$switch->id/meters")->assertOk()->assertSee('the bank stays off')
            ->assertSee('Capacitors stay charged.');
        $this->put($page, ['seen' => 'older'] + self::BANK)->assertSessionHasErrors();
    }

    #[Test]
    public function a_diagram_says_in_words_what_it_draws(): void
    {
        $svg = (new PhasorDiagram(
            [['name' => 'V1', 'size' => 230.0, 'deg' => 0.0], ['name' => 'V2', 'size' => 0.0, 'deg' => -120.0]],
            [['name' => 'I1', 'size' => 10.0, 'deg' => -30.0]],
            true,
        ))->svg();
        self::assertStringContainsString('Phasors, angles assumed: V1 230 at 0°, V2 0 at -120°, I1 10 at -30°.', $svg);
        self::assertStringContainsString('M210.0 210.0L360.0 210.0', $svg, 'to the right');
        self::assertStringContainsString('L303.5 264.0', $svg, 'a current that lags lies below');
        self::assertStringNotContainsString('>V2<', $svg, 'nothing has no direction');
    }

    private function panel(): TransferSwitch
    {
        return $this->switchOf($this->signIn(), InstallationKind::MotorDriven);
    }
}
