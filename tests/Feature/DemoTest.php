<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Site;
use App\Models\TransferSwitch;
use App\Models\User;
use Database\Seeders\DatabaseSeeder;
use Escapement\Core\Input\Node;
use Escapement\Core\Record\RunRecord;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

final class DemoTest extends TestCase
{
    #[Test]
    public function the_demo_company_has_sites_in_every_standing_and_each_page_of_theirs_opens(): void
    {
        $this->seed(DatabaseSeeder::class);
        $this->actingAs(User::query()->where('email', 'rosa@lantern.example')->firstOrFail());
        self::assertGreaterThanOrEqual(6, Site::query()->count());
        $this->get('/')->assertOk()->assertDontSee('are still being worked out');
        $board = (string) $this->get('/board.csv')->assertOk()->getContent();
        foreach (['part of the proof failed', 'has no switch yet', 'was changed after it was proved', 'as left'] as $words) {
            self::assertStringContainsString($words, $board);
        }
        foreach (Site::query()->pluck('id') as $id) {
            $this->get("/sites/$id")->assertOk();
        }
        foreach (TransferSwitch::query()->with(['runs', 'site', 'circuit'])->get() as $switch) {
            foreach (['settings', 'settings/difference', 'rehearsal', 'commission', 'schedule', 'logbook'] as $page) {
                $this->get("/switches/$switch->id/$page")->assertOk();
            }
            $ofCircuit = $switch->circuit === null ? ['circuit'] : ['circuit', 'circuit/play', 'circuit/terminals'];
            foreach ($switch->site->installation->isThreePhase() ? $ofCircuit : [] as $page) {
                $this->get("/switches/$switch->id/$page")->assertOk();
            }
            foreach ($switch->runs as $run) {
                $this->get("/runs/$run->id")->assertOk();
                $this->get("/runs/$run->id/procedure")->assertOk();
                $this->get("/runs/$run->id/sheet")->assertOk();
                $this->get("/runs/$run->id/report")->assertOk()->assertSee('chain whole');
            }
        }
    }

    #[Test]
    public function one_house_of_the_demo_is_installed_proved_and_signed_to_the_end(): void
    {
        $this->seed(DatabaseSeeder::class);
        $this->actingAs(User::query()->where('email', 'rosa@lantern.example')->firstOrFail());
        $run = TransferSwitch::query()->firstOrFail()->runs()->firstOrFail();
        self::assertSame('pass', $run->verdict);
        $export = $this->get("/runs/$run->id/report.json")->json();
        self::assertSame(['done'], array_values(array_unique(array_column($export['procedure'], 'state'))));
        self::assertContains('install/done', array_column($export['procedure'], 'id'));
        self::assertGreaterThan(5, count($export['photos']));
        self::assertSame(
            'pass',
            RunRecord::verification(Node::fromJson((string) $this->get("/runs/$run->id/report.json")->getContent()))['signed'],
        );
        $this->get("/runs/$run->id/report")->assertSee('Signature of Karin Aldous')->assertSee('in-lb');
    }
}
