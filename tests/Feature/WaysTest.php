<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Distribution;
use App\Models\TransferSwitch;
use App\Models\User;
use App\Models\Way;
use Database\Seeders\DemoCircuits;
use Escapement\Core\Plant\InstallationKind;
use Illuminate\Http\UploadedFile;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

/** The board of a three-phase changeover: its ways, its phases, its neutral. */
final class WaysTest extends TestCase
{
    private const WAY = ['name' => 'Lift', 'connects' => '3P', 'load_a' => '50', 'breaking_ka' => '25', 'length' => '40'];

    #[Test]
    public function nothing_is_judged_before_it_is_known_and_the_page_says_what_is_missing(): void
    {
        $switch = $this->panel();
        $this->get("/switches/$switch->id/ways")->assertOk()->assertSee('Not judged yet')->assertSee('line voltage')
            ->assertSee('poles of the changeover')->assertDontSee('Trips on utility');
        $this->put("/switches/$switch->id/ways", ['ways' => [self::WAY]])->assertSessionHasNoErrors();
        $this->get("/switches/$switch->id/ways")->assertSee('Unbalance')->assertDontSee('Trips on utility');
    }

    #[Test]
    public function a_known_board_is_judged_on_both_sources_and_its_phases_are_balanced_in_one_press(): void
    {
        $switch = $this->panel();
        (new DemoCircuits())->board($switch, User::query()->firstOrFail());
        $page = "/switches/$switch->id/ways";
        $answer = $this->get($page)->assertOk()->assertSee('Trips on generator')->assertSee('Fewest moves')->assertDontSee('no way back');
        preg_match('/name="moves" value="([^"]+)"/', (string) $answer->getContent(), $found);
        $this->post("$page/balance", ['moves' => '[]'])->assertSessionHasErrors('moves');
        $this->post("$page/balance", ['moves' => html_entity_decode($found[1] ?? '')])->assertSessionHasNoErrors();
        self::assertSame('L3', Way::query()->where('name', 'Dewatering')->firstOrFail()->connects);
        self::assertSame('L1', Way::query()->where('name', 'Controls')->firstOrFail()->connects);
        $this->get($page)->assertDontSee('Fewest moves');
    }

    /** @param array{way: string, from: string, to: string} $move */
    #[Test, DataProvider('moves')]
    public function a_way_is_moved_where_it_was_seen_and_nowhere_it_cannot_stand(array $move, ?string $refused): void
    {
        $switch = $this->panel();
        (new DemoCircuits())->board($switch, User::query()->firstOrFail());
        $page = "/switches/$switch->id/ways";
        $this->get($page)->assertOk()->assertSee('data-way="Sockets"', false);
        $answer = $this->post("$page/move", $move);
        if ($refused === null) {
            $answer->assertSessionHasNoErrors();
            self::assertSame($move['to'], Way::query()->where('name', $move['way'])->firstOrFail()->connects);
        } else {
            $answer->assertSessionHasErrors('moves');
            self::assertStringContainsString($refused, (string) session('errors')?->first('moves'));
        }
    }

    /** @return iterable<string, array{array{way: string, from: string, to: string}, ?string}> */
    public static function moves(): iterable
    {
        $move = static fn(string $way, string $from, string $to): array => ['way' => $way, 'from' => $from, 'to' => $to];
        yield 'to another phase' => [$move('Sockets', 'L2', 'L3'), null];
        yield 'somebody was there before' => [$move('Sockets', 'L1', 'L3'), 'changed meanwhile'];
        yield 'locked' => [$move('Controls', 'L1', 'L2'), 'stays on its phase'];
        yield 'more poles than it has' => [$move('Sockets', 'L2', 'L1L2'), 'as many poles'];
        yield 'three poles' => [$move('Pump 1', '3P', 'L1'), 'as many poles'];
        yield 'no such way' => [$move('Attic', 'L1', 'L2'), 'changed meanwhile'];
    }

    #[Test]
    public function a_bond_too_many_is_named_with_the_least_change(): void
    {
        $switch = $this->panel();
        (new DemoCircuits())->board($switch, User::query()->firstOrFail());
        Distribution::query()->update(['poles' => 3]);
        $this->get("/switches/$switch->id/ways")->assertSee('too many')
            ->assertSee('Remove the earth of the star point at the second source');
        $this->put("/switches/$switch->id/board", ['diversity' => 'none', 'neutral_sequence' => 'late', 'second_earthed' => ''])
            ->assertSessionHasNoErrors();
        $this->get("/switches/$switch->id/ways")->assertSee('earth of the second source')->assertDontSee('too many');
    }

    #[Test]
    public function ways_go_out_as_csv_and_come_in_as_the_same(): void
    {
        $switch = $this->panel();
        (new DemoCircuits())->board($switch, User::query()->firstOrFail());
        $csv = (string) $this->get("/switches/$switch->id/ways.csv")->assertOk()->getContent();
        $before = Way::query()->orderBy('place')->get(['name', 'connects', 'load_a', 'length_m', 'shed', 'locked', 'rcd_ma'])->toArray();
        $this->import($switch, $csv)->assertSessionHasNoErrors();
        $after = Way::query()->orderBy('place')->get(['name', 'connects', 'load_a', 'length_m', 'shed', 'locked', 'rcd_ma'])->toArray();
        self::assertSame($before, $after);
        $this->import($switch, "name;connects;load_a;breaking_ka;length\nHall;L2;7,5;15;22,5\n")->assertSessionHasNoErrors();
        self::assertSame(22.5, Way::query()->firstOrFail()->length_m);
    }

    /** @return iterable<string, array{string, string}> file and the field of the error */
    public static function files(): iterable
    {
        yield 'no heading' => ["Hall;L2;7\n", 'file'];
        yield 'a NUL byte' => ["name,connects\0", 'file'];
        yield 'a place that is none' => ["name,connects,load_a,breaking_ka,length\nHall,L9,7,15,22\n", 'ways.0.connects'];
        $two = "name,connects,load_a,breaking_ka,length\nHall,L1L2,7,15,22\n";
        yield 'two poles where one or three are made' => [$two, 'ways.0.connects'];
        yield 'a load in words' => ["name,connects,load_a,breaking_ka,length\nHall,L1,7,15,22\nYard,L1,much,15,22\n", 'ways.1.load_a'];
        yield 'a name twice' => ["name,connects,load_a,breaking_ka,length\nHall,L1,7,15,22\nHall,L1,7,15,22\n", 'ways.0.name'];
        $rows = implode('', array_map(static fn(int $i): string => "w$i,L1,7,15,22\n", range(1, 61)));
        yield 'more ways than a board has' => ["name,connects,load_a,breaking_ka,length\n$rows", 'ways'];
    }

    #[Test, DataProvider('files')]
    public function a_file_with_a_fault_is_refused_at_its_line_and_nothing_is_stored(string $text, string $field): void
    {
        $switch = $this->panel();
        $this->import($switch, $text)->assertSessionHasErrors($field);
        self::assertSame(0, Way::query()->count());
    }

    #[Test]
    public function a_table_that_somebody_else_changed_meanwhile_is_not_replaced_in_silence(): void
    {
        $switch = $this->panel();
        $page = "/switches/$switch->id/ways";
        preg_match('/name="seen" value="(\w+)"/', (string) $this->get($page)->getContent(), $seen);
        $this->put($page, ['seen' => $seen[1] ?? '', 'ways' => [self::WAY]])->assertSessionHasNoErrors();
        $this->put($page, ['seen' => $seen[1] ?? '', 'ways' => [['name' => 'Oven'] + self::WAY]])->assertSessionHasErrors('seen');
        self::assertSame(['Lift'], Way::query()->pluck('name')->all());
    }

    private function panel(): TransferSwitch
    {
        $switch = $this->switchOf($this->signIn(), InstallationKind::MotorDriven);
        $switch->site->update(['units' => 'metric']);

        return $switch;
    }

    private function import(TransferSwitch $switch, string $csv): TestResponse
    {
        return $this->put("/switches/$switch->id/ways", ['file' => UploadedFile::fake()->createWithContent('ways.csv', $csv)]);
    }
}
