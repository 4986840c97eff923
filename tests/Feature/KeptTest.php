<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Bridge\ProcedureFacts;
use App\Models\Mark;
use App\Models\RecordEntry;
use App\Models\Role;
use App\Models\Run;
use App\Models\StepAnswer;
use App\Models\User;
use Database\Factories\UserFactory;
use Escapement\Core\Plant\InstallationKind;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

/** What is claimed of a record is so, and what one person made stays that person's. */
final class KeptTest extends TestCase
{
    #[Test, DataProvider('tamperings')]
    public function a_report_says_when_its_record_is_not_whole(\Closure $tamper, string $told): void
    {
        $run = $this->answered();
        $this->get("/runs/$run->id/report")->assertOk()->assertSee('chain whole');
        $tamper($run);
        $this->get("/runs/$run->id/report")->assertOk()->assertDontSee('chain whole')->assertSee('NOT WHOLE')->assertSee($told);
    }

    /** @return iterable<string, array{\Closure(Run): mixed, string}> */
    public static function tamperings(): iterable
    {
        yield 'the last entry deleted' => [
            static fn(Run $run) => RecordEntry::query()->where('run_id', $run->id)->latest('seq')->firstOrFail()->delete(),
            'cut off at the end',
        ];
        yield 'no entries at all' => [
            static fn(Run $run) => RecordEntry::query()->where('run_id', $run->id)->delete(), 'The head is not the last entry',
        ];
        yield 'a mark moved' => [static fn(Run $run) => Mark::query()->where('run_id', $run->id)->update(['at_ms' => 77]), 'no such mark'];
        yield 'a mark taken away' => [static fn(Run $run) => Mark::query()->where('run_id', $run->id)->delete(), 'more marks'];
        yield 'an answer changed' => [
            static fn(Run $run) => StepAnswer::query()->where('run_id', $run->id)->update(['given' => '{"so":true,"note":"fine"}']),
            'another answer',
        ];
        yield 'an answer taken away' => [static fn(Run $run) => StepAnswer::query()->where('run_id', $run->id)->delete(), 'answer'];
        yield 'another signer' => [
            static fn(Run $run) => DB::table('runs')->where('id', $run->id)->update(['signed_name' => 'Somebody Else']),
            'not the signature of the record',
        ];
        yield 'an entry rewritten' => [
            static fn(Run $run) => DB::statement(
                "UPDATE record_entries SET entry = REPLACE(entry, 'utility_off', 'utility_on') WHERE run_id = $run->id",
            ),
            'not what was recorded',
        ];
    }

    #[Test]
    public function a_signed_report_keeps_the_names_of_then_and_the_account_that_signed(): void
    {
        $run = $this->answered();
        $user = $run->user;
        $before = $user->name;
        $user->update(['name' => 'Zoe Quill']);
        $this->get("/runs/$run->id/report")->assertOk()->assertSee('chain whole')->assertSee($before)->assertSee($user->email);
    }

    #[Test]
    public function what_one_person_made_on_a_phone_is_not_taken_from_the_next(): void
    {
        $maker = $this->signIn();
        $run = $this->runOf($this->switchOf($maker));
        $next = UserFactory::make(Role::Technician);
        $next->update(['company_id' => $maker->company_id]);
        $mark = ['id' => (string) Str::uuid(), 'event' => 'utility_off', 'at_ms' => 0, 'maker' => $maker->id];
        $answer = ['id' => (string) Str::uuid(), 'step' => 'inspect/covers', 'so' => true, 'maker' => $maker->id];

        $this->actingAs($next)->postJson(
            "/runs/$run->id/marks",
            ['marks' => [$mark]],
        )->assertOk()->assertJsonPath('refused.0.path', '/marks/0/maker')->assertJsonCount(0, 'kept');
        $this->postJson(
            "/runs/$run->id/answers",
            ['answers' => [$answer]],
        )->assertOk()->assertJsonPath('refused.0.path', '/answers/0/maker');
        self::assertSame(0, Mark::query()->count() + StepAnswer::query()->count());

        $this->actingAs($maker)->postJson("/runs/$run->id/marks", ['marks' => [$mark]])->assertOk()->assertJsonCount(1, 'kept');
        self::assertSame($maker->id, Mark::query()->sole()->user_id);
    }

    #[Test]
    public function a_press_that_bounced_begins_one_run(): void
    {
        $switch = $this->switchOf($this->signIn());
        $press = (string) Str::uuid();
        foreach ([1, 2, 3] as $time) {
            $this->post(route('runs.begin', $switch), ['hazards_read' => '1', 'press' => $press])->assertRedirect();
        }
        self::assertSame(1, Run::query()->count());
        $this->post(route('runs.begin', $switch), ['hazards_read' => '1', 'press' => (string) Str::uuid()])->assertRedirect();
        self::assertSame(2, Run::query()->count());
    }

    #[Test]
    public function a_late_mark_lies_within_a_day_of_its_run(): void
    {
        $run = $this->runOf($this->switchOf($this->signIn()));
        $this->post(
            "/runs/$run->id/late",
            ['event' => 'utility_off', 'at_s' => '999999', 'late_reason' => 'On paper.'],
        )->assertSessionHasErrors('at_s');
        $this->post(
            "/runs/$run->id/late",
            ['event' => 'utility_off', 'at_s' => '12.5', 'late_reason' => 'On paper.'],
        )->assertSessionHasNoErrors();
        self::assertSame(12_500, Mark::query()->sole()->at_ms);
    }

    /** A run with a mark and an answer, signed. */
    private function answered(): Run
    {
        $run = $this->runOf($this->switchOf($this->signIn(), InstallationKind::PlugInBox));
        $this->postJson(
            "/runs/$run->id/marks",
            ['marks' => [['id' => (string) Str::uuid(), 'event' => 'utility_off', 'at_ms' => 0]]],
        )->assertOk();
        $step = (new ProcedureFacts($run->load(['sheet', 'switch.site', 'switch.loads', 'switch.plan'])))->steps;
        $first = array_values(array_filter(
            $step,
            static fn($one): bool => $one->dependsOn === [] && $one->kind->value === 'confirm' && $one->stoppedBy === [],
        ))[0];
        $this->postJson(
            "/runs/$run->id/answers",
            ['answers' => [['id' => (string) Str::uuid(), 'step' => $first->id, 'so' => true, 'note' => 'Seen.']]],
        )->assertOk()->assertJsonCount(1, 'kept');
        $this->post("/runs/$run->id/sign", ['signed_name' => 'Ada Fern'])->assertSessionHasNoErrors();
        self::assertInstanceOf(User::class, $run->user);

        return $run->fresh() ?? $run;
    }
}
