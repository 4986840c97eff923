<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\LogEntry;
use App\Models\Run;
use App\Models\TransferSwitch;
use App\Models\Upkeep;
use App\Stage\Commissioning\ServicePage;
use App\Stage\SiteStanding;
use Escapement\Core\Commissioning\Service\ServiceRows;
use Escapement\Core\Input\Node;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Record\RunRecord;
use Illuminate\Support\Carbon;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;
use Tests\WorksThrough;

/** A service visit from its beginning to its report and the logbook. */
final class ServiceVisitTest extends TestCase
{
    use WorksThrough;

    #[Test, DataProvider('kinds')]
    public function a_visit_goes_from_as_found_to_a_signed_report_and_the_logbook(InstallationKind $kind): void
    {
        $user = $this->signIn();
        $switch = $this->switchOf($user, $kind);
        $this->known($switch);
        $this->get("/switches/$switch->id/service")->assertOk()->assertSee('begin the visit');
        $visit = $this->begun($switch, ServiceRows::inside(), isOpened: true);
        $this->pass($visit, '');
        $this->get("/runs/$visit->id/procedure")->assertOk()->assertSee('Sign the visit');
        $this->post("/runs/$visit->id/sign", ['signed_name' => 'Ada Fenn'])->assertRedirect();

        self::assertSame('pass', $visit->refresh()->verdict);
        $this->get("/runs/$visit->id/report")->assertOk()->assertSee('Service visit: done, as signed')->assertSee('Switch inspection')
            ->assertDontSee('Measured against expected');
        $this->get("/runs/$visit->id/report.pdf")->assertOk();
        $done = LogEntry::query()->where(['switch_id' => $switch->id, 'kind' => 'service'])->sole();
        self::assertEqualsCanonicalizing(ServiceRows::inside(), $done->fields['items']);
        $this->get("/switches/$switch->id/logbook")->assertOk()->assertSee('Service visit.');
        $export = Node::fromJson((string) $this->get("/runs/$visit->id/report.json")->getContent());
        self::assertSame('pass', RunRecord::verification($export)['signed']);
    }

    #[Test]
    public function a_visit_proves_nothing_and_hides_no_proof(): void
    {
        $user = $this->signIn();
        $switch = $this->switchOf($user);
        $proof = $this->runOf($switch);
        $before = (new SiteStanding($switch->site, $switch->fresh(SiteStanding::NEEDS) ?? $switch))->stages();
        $visit = $this->begun($switch, ['oil_and_filter']);
        $this->send($visit, [$this->answer('as_found/briefing', ['so' => true])])->assertJsonCount(1, 'kept');
        $this->post("/runs/$visit->id/sign", ['signed_name' => 'Ada Fenn'])->assertRedirect();

        self::assertSame('incomplete', $visit->refresh()->verdict);
        self::assertSame(0, $visit->proofs()->count());
        self::assertSame($proof->id, $switch->fresh(['run'])?->run?->id);
        $after = (new SiteStanding($switch->site, $switch->fresh(SiteStanding::NEEDS) ?? $switch))->stages();
        self::assertSame(array_column($before, 'words', 'key')['commission'], array_column($after, 'words', 'key')['commission']);
    }

    #[Test]
    public function what_is_done_at_a_visit_is_due_again_later(): void
    {
        $switch = $this->switchOf($this->signIn());
        $this->known($switch);
        $this->get("/switches/$switch->id/schedule")->assertSee('not on record');
        $visit = $this->begun($switch, ['oil_and_filter', 'battery_test']);
        $this->send($visit, [
            $this->answer('as_found/briefing', ['so' => true]), $this->answer('as_found/hours', ['value' => 212.5]),
            $this->answer('isolate/block-engine', ['so' => true]), $this->answer('isolate/engine-still', ['so' => true]),
            $this->answer('engine_service/oil_and_filter', ['so' => true]),
            $this->answer('engine_service/battery_test', ['value' => 12.7]),
            $this->answer('as_left/selector', ['choice' => 'off', 'note' => 'No fuel; the owner knows.']),
        ])->assertJsonCount(7, 'kept');
        $this->post("/runs/$visit->id/sign", ['signed_name' => 'Ada Fenn'])->assertRedirect();

        self::assertSame('fail', $visit->refresh()->verdict);
        self::assertSame('off', Upkeep::query()->where('switch_id', $switch->id)->sole()->selector);
        $now = TransferSwitch::query()->with([...SiteStanding::NEEDS, 'services'])->findOrFail($switch->id);
        $items = (new ServicePage($now, Carbon::now()))->items();
        self::assertFalse($items['oil_and_filter']['isDue']);
        self::assertTrue($items['air_filter']['isDue']);
        self::assertSame(['battery', 'hours', 'service'], LogEntry::query()->orderBy('kind')->pluck('kind')->all());
    }

    #[Test]
    public function work_inside_is_not_begun_without_the_isolation_that_goes_with_it(): void
    {
        $switch = $this->switchOf($this->signIn());
        $this->post("/switches/$switch->id/service", ['hazards_read' => 1, 'items' => ['torque_witness']])
            ->assertSessionHasErrors('enclosure');
        $this->post("/switches/$switch->id/service", ['items' => ['oil_and_filter']])->assertSessionHasErrors('hazards_read');
        $this->post("/switches/$switch->id/service", ['hazards_read' => 1, 'items' => ['gold']])->assertSessionHasErrors('items.0');

        self::assertSame(0, Run::query()->count());
    }

    #[Test]
    public function a_planned_visit_brings_its_work_along_and_the_isolation_that_it_needs(): void
    {
        $switch = $this->switchOf($this->signIn());
        $asked = 'items[]=torque_witness&items[]=own+words&items[][]=x';
        $page = (string) $this->get("/switches/$switch->id/service?$asked")->assertOk()->getContent();

        self::assertMatchesRegularExpression('/value="torque_witness"\s+checked/', $page);
        self::assertDoesNotMatchRegularExpression('/value="oil_and_filter"\s+checked/', $page);
        self::assertMatchesRegularExpression('/name="enclosure" value="1"\s+checked/', $page);
    }

    #[Test]
    public function nobody_works_on_an_engine_that_was_not_tried(): void
    {
        $switch = $this->switchOf($this->signIn());
        $visit = $this->begun($switch, ['oil_and_filter']);
        $this->send($visit, [
            $this->answer('as_found/briefing', ['so' => true]), $this->answer('isolate/block-engine', ['so' => true]),
            $this->answer('engine_service/oil_and_filter', ['so' => true]),
        ])->assertJsonCount(2, 'kept')->assertJsonPath('refused.0.path', '/answers/2/step');
    }

    #[Test]
    public function a_finger_that_bounces_begins_one_visit_and_a_visit_takes_no_mark(): void
    {
        $switch = $this->switchOf($this->signIn());
        $press = (string) Str::uuid();
        $first = $this->begun($switch, [], press: $press);
        self::assertSame($first->id, $this->begun($switch, [], press: $press)->id);
        $this->get("/runs/$first->id")->assertRedirect("/runs/$first->id/procedure");
        $this->postJson("/runs/$first->id/marks", ['marks' => [[
            'id' => (string) Str::uuid(), 'event' => 'utility_off', 'at_ms' => 0,
        ]]])->assertStatus(409);
    }

    /** @return iterable<string, array{InstallationKind}> */
    public static function kinds(): iterable
    {
        foreach (InstallationKind::cases() as $kind) {
            yield $kind->value => [$kind];
        }
    }

    private function known(TransferSwitch $switch): void
    {
        if ($switch->site->installation->hasGenerator()) {
            $switch->update(['fuel' => 'lp', 'rated_kw' => ['lp' => 20]]);
        }
        Upkeep::query()->create([
            'company_id' => $switch->company_id, 'switch_id' => $switch->id, 'user_id' => (int) auth()->id(), 'cooling' => 'air',
            'installed_on' => '2024-01-10', 'school' => 'quarterly', 'priority' => 3, 'selector' => 'auto',
        ]);
    }

    /** @param list<string> $items */
    private function begun(TransferSwitch $switch, array $items, bool $isOpened = false, ?string $press = null): Run
    {
        $this->post("/switches/$switch->id/service", array_filter([
            'hazards_read' => 1, 'items' => $items, 'enclosure' => $isOpened ? 1 : 0, 'press' => $press,
        ], static fn(mixed $one): bool => $one !== null))->assertSessionHasNoErrors()->assertRedirect();

        return Run::query()->where('purpose', Run::SERVICE)->orderByDesc('id')->firstOrFail();
    }
}
