<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Plan;
use App\Models\TransferSwitch;
use Escapement\Core\Plant\InstallationKind;
use Illuminate\Support\Carbon;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Sabre\VObject\Reader;
use Tests\TestCase;

final class PowerDownTest extends TestCase
{
    private const DAY = [
        'opens_at' => '2026-07-01T09:00',
        'promised_min' => '30',
        'hot_day' => '1',
        'open_who' => 'Ana',
        'open_minutes' => '10',
        'close_who' => 'Ana',
        'close_minutes' => '5',
        'tasks' => [
            2 => ['name' => 'Pull the feeders', 'who' => 'Ana, Bo', 'minutes' => '40', 'after' => ''],
            5 => ['name' => 'Land the line side', 'who' => 'Ana', 'minutes' => '20', 'after' => '2', 'dark' => '1'],
            6 => ['name' => '', 'who' => '', 'minutes' => '', 'after' => ''],
            7 => ['name' => 'Prove it', 'who' => 'Ana', 'minutes' => '30', 'after' => '5'],
        ],
    ];

    #[Test, DataProvider('kinds')]
    public function every_kind_has_a_usual_day_with_its_hazard_first(InstallationKind $kind): void
    {
        $switch = $this->switchOf($this->signIn(), $kind);
        $page = (string) $this->get("/switches/$switch->id/power-down")->assertOk()->getContent();
        self::assertLessThan(strpos($page, '<svg class="day-chart"'), strpos($page, 'No work on what may be live.'));
        self::assertStringNotContainsString('id="nothing-dark"', $page);
        $this->get("/switches/$switch->id/power-down.ics")->assertNotFound();
    }

    /** @return iterable<string, array{InstallationKind}> */
    public static function kinds(): iterable
    {
        foreach (InstallationKind::cases() as $kind) {
            yield $kind->value => [$kind];
        }
    }

    protected function setUp(): void
    {
        parent::setUp();
        Carbon::setTestNow('2026-06-20T12:00:00Z'); // the days of these tests lie ahead
    }

    #[Test]
    public function a_saved_day_is_computed_and_keeps_the_numbers_of_its_tasks(): void
    {
        $switch = $this->saved(self::DAY);
        self::assertSame(['2', '5', '7'], array_column(Plan::query()->firstOrFail()->power_down['tasks'] ?? [], 'id'));
        $this->get("/switches/$switch->id/power-down")->assertSee(
            'Without power for 35 min, 5 min more than promised',
        )->assertSee('09:35')->assertSee('Pull the feeders')->assertDontSee('The usual day');
    }

    #[Test]
    public function the_appointment_is_the_dark_window_in_the_hours_of_the_site(): void
    {
        $switch = $this->switchOf($this->signIn());
        $switch->site->update(['timezone' => 'America/New_York']);
        $this->put("/switches/$switch->id/power-down", self::DAY)->assertSessionHasNoErrors();
        $event = Reader::read((string) $this->get("/switches/$switch->id/power-down.ics")->assertOk()->getContent())->VEVENT;
        self::assertSame('20260701T130000Z', (string) $event->DTSTART);
        self::assertSame('20260701T133500Z', (string) $event->DTEND);
        self::assertStringContainsString($switch->site->name, (string) $event->SUMMARY);
        self::assertStringStartsWith('%PDF', (string) $this->get("/switches/$switch->id/power-down.pdf")->assertOk()->getContent());
    }

    /** @param array<string, mixed> $bad */
    #[Test, DataProvider('refused')]
    public function what_cannot_be_is_refused_at_its_field(array $bad, string $field): void
    {
        $switch = $this->switchOf($this->signIn());
        $this->from("/switches/$switch->id/power-down")->put(
            "/switches/$switch->id/power-down",
            array_replace_recursive(self::DAY, $bad),
        )->assertSessionHasErrors($field);
        $this->get("/switches/$switch->id/power-down")->assertSee('field-error', false)->assertSee('Land the line side');
        self::assertSame(0, Plan::query()->count(), 'nothing is kept of a refused day');
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function refused(): iterable
    {
        yield 'an hour in words' => [['opens_at' => 'nine'], 'opens_at'];
        yield 'nobody opens it' => [['open_who' => ' , '], 'open_who'];
        yield 'no minutes' => [['tasks' => [5 => ['minutes' => '']]], 'tasks.5.minutes'];
        yield 'nobody does it' => [['tasks' => [7 => ['who' => '']]], 'tasks.7.who'];
        yield 'no name' => [['tasks' => [7 => ['name' => '']]], 'tasks.7.name'];
        yield 'waits for what is not there' => [['tasks' => [7 => ['after' => '6']]], 'tasks.7.after'];
        yield 'waits for itself' => [['tasks' => [2 => ['after' => '7']]], 'tasks.2.after'];
    }

    /** @param array<string, mixed> $day */
    private function saved(array $day): TransferSwitch
    {
        $switch = $this->switchOf($this->signIn());
        $this->put(
            "/switches/$switch->id/power-down",
            $day,
        )->assertRedirect("/switches/$switch->id/power-down")->assertSessionHasNoErrors();

        return $switch;
    }
}
