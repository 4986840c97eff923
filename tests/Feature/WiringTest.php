<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Drawing\Ink;
use App\Models\TransferSwitch;
use App\Models\User;
use App\Stage\Plan\Wiring\WiringLook;
use App\Stage\Plan\Wiring\WiringPage;
use Database\Seeders\DatabaseSeeder;
use Escapement\Core\Plant\InstallationKind;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\DataProviderExternal;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

final class WiringTest extends TestCase
{
    #[Test, DataProviderExternal(PlanPagesTest::class, 'kinds')]
    public function every_enclosure_of_every_kind_can_be_looked_at_from_the_first_landing_to_the_last(InstallationKind $kind): void
    {
        $switch = $this->switchOf($this->signIn(), $kind)->refresh();
        $page = new WiringPage($switch, new WiringLook('', 'normal', '', 1));
        foreach (array_keys($page->enclosures) as $enclosure) {
            $one = new WiringPage($switch, new WiringLook((string) $enclosure, 'normal', '', 1));
            $steps = $one->view->steps ?? [];
            self::assertNotNull($one->view);
            self::assertSame(range(1, count($one->view->conductors)), array_column($steps, 'n'), 'each conductor lands once');
            foreach ([1, count($steps)] as $step) {
                $this->get($this->url(
                    $switch,
                    ['enclosure' => $enclosure, 'step' => $step],
                ))->assertOk()->assertSee("Landing $step of " . count($steps));
            }
        }
        $this->get($this->url($switch))->assertOk();
        self::assertStringStartsWith('%PDF', (string) $this->get("/switches/$switch->id/wiring.pdf")->assertOk()->getContent());
    }

    #[Test]
    public function two_panels_on_a_service_rated_switch_share_lugs_of_one_leg_and_the_line_side_stays_live(): void
    {
        $switch = $this->clinic();
        $page = new WiringPage($switch, new WiringLook('ats', 'normal', 'ats.main', 12));
        self::assertNotNull($page->view);
        self::assertSame(['normal.L1', 'normal.L2', 'load.L1', 'load.L2'], array_column($page->view->shared, 'terminal'));
        self::assertStringContainsString('Both are L1, proved by test before either is tightened', (string) $page->sharedWords());
        self::assertStringContainsString('The utility lugs stay energized', (string) $page->hazard());
        $seen = self::words($this->get($this->url($switch, ['open' => 'ats.main'])));
        self::assertStringContainsString('What may still be live with transfer switch main open', $seen);
        self::assertStringContainsString(
            'utility lug L1, utility lug L2, load lug L1, load lug L2',
            $seen,
            'a finding is told once, with its places',
        );
    }

    /** @param array{fitted?: string, wanted?: string} $known */
    #[Test, DataProvider('jumpers')]
    public function a_terminal_strip_shows_its_jumpers_as_they_are_and_as_they_should_be(array $known, string $drawn, ?string $told): void
    {
        $switch = $this->switchOf($this->signIn(), InstallationKind::FactoryControl)->refresh();
        $this->get($this->url($switch))->assertOk()->assertDontSee('Control terminals');
        $this->put("/switches/$switch->id/landing", [
            'controls' => [
                ['function' => 'Start pair, first', 'terminals' => 'S1'], ['function' => 'Start pair, second', 'terminals' => 'S2'],
                ['function' => 'Utility sensing, first leg', 'terminals' => 'N1'],
            ],
            'jumpers' => [['function' => 'Start signal: contact or voltage', 'terminals' => 'O1-O2'] + $known],
        ])->assertSessionHasNoErrors();
        $page = self::words($this->get($this->url($switch))->assertOk());
        self::assertStringContainsString('Control terminals', $page);
        self::assertStringContainsString(">$drawn</text>", $page);
        self::assertStringContainsString('stays live', $page);
        $findings = array_column((new WiringPage($switch->refresh(), new WiringLook('', 'normal', '', 1)))->findings(), 'id');
        self::assertSame($told !== null, in_array($told, $findings, true));
        self::assertSame($known === [], str_contains($page, 'Not known of the option jumpers'));
        $last = count((new WiringPage($switch, new WiringLook('', 'normal', '', 1)))->view->steps ?? []);
        $this->get($this->url($switch, ['step' => $last]))->assertOk()->assertSee('Utility sensing, first leg')
            ->assertSee('Ferrule or fork');
        $this->get("/switches/$switch->id/wiring.pdf")->assertOk();
    }

    /** @return iterable<string, array{array{fitted?: string, wanted?: string}, string, ?string}> */
    public static function jumpers(): iterable
    {
        yield 'in, and wanted' => [['fitted' => 'yes', 'wanted' => 'yes'], 'in', null];
        yield 'out, and to be out' => [['fitted' => 'no', 'wanted' => 'no'], 'out', null];
        yield 'to be fitted' => [['fitted' => 'no', 'wanted' => 'yes'], 'fit', 'jumper-missing'];
        yield 'to be taken out' => [['fitted' => 'yes', 'wanted' => 'no'], 'out!', 'jumper-extra'];
        yield 'not known' => [[], '?', null];
    }

    #[Test, DataProvider('looks')]
    public function a_conductor_is_drawn_live_by_the_look_that_was_chosen(
        string $on,
        string $open,
        int $fromUtility,
        int $fromGenerator,
    ): void {
        $page = new WiringPage($this->clinic(), new WiringLook('ats', $on, $open, 1));
        $drawn = $page->drawing()->svg();
        $count = static fn(string $source): int => substr_count(
            $drawn,
            'stroke="' . (new Ink(false))->colour($source) . '" stroke-width="7.0"',
        );
        self::assertSame([$fromUtility, $fromGenerator], [$count('util'), $count('gen')]);
    }

    /** @return iterable<string, array{string, string, int, int}> */
    public static function looks(): iterable
    {
        yield 'on the utility both of its sets and both panels, the generator has none' => ['normal', '', 8, 2];
        yield 'on the generator its lugs and both panels; the utility lugs stay live' => ['emergency', '', 4, 6];
        yield 'its own main open: what the generator may still feed' => ['normal', 'ats.main', 4, 6];
    }

    /** @param array<string, mixed> $asked */
    #[Test, DataProvider('nonsense')]
    public function nonsense_in_the_address_is_the_usual_look(array $asked): void
    {
        $switch = $this->switchOf($this->signIn());
        $this->get($this->url($switch, $asked))->assertOk()->assertSee('Wiring of transfer switch');
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function nonsense(): iterable
    {
        yield 'no such enclosure' => [['enclosure' => 'attic']];
        yield 'no such device' => [['open' => 'attic.main']];
        yield 'lists' => [['enclosure' => ['ats'], 'on' => ['x'], 'open' => ['y'], 'step' => ['z']]];
        yield 'a step that is not there' => [['step' => '9999']];
        yield 'a step that is none' => [['step' => 'first']];
    }

    private function clinic(): TransferSwitch
    {
        $this->seed(DatabaseSeeder::class);
        $this->actingAs(User::query()->where('email', 'rosa@lantern.example')->firstOrFail());

        return TransferSwitch::query()->whereHas(
            'site',
            static fn($site) => $site->where('name', 'Otter Bend Veterinary Clinic'),
        )->firstOrFail();
    }

    /** @param array<string, mixed> $asked */
    private function url(TransferSwitch $switch, array $asked = []): string
    {
        return route('wiring', ['switch' => $switch] + $asked);
    }
}
