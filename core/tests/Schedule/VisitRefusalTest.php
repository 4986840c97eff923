<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Schedule;

use Escapement\Core\Input\Node;
use Escapement\Core\Schedule\Day;
use Escapement\Core\Schedule\Visit\VisitSlots;
use Escapement\Core\Wire\Schedule\VisitPlanReader;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Why a visit cannot be put on a technician's day by hand, and that it can be beside it. Rule: docs/rules.md#visit-plan. */
final class VisitRefusalTest extends TestCase
{
    /** @param array<string, mixed> $visit over an hour anywhere */
    #[Test, DataProvider('days')]
    public function a_day_is_refused_for_a_reason(array $visit, string $day, ?string $reason): void
    {
        $slots = new VisitSlots((new VisitPlanReader())->input(Node::fromArray([
            'start' => '2026-06-01', // a Monday
            'days' => 8,
            'holidays' => ['2026-06-04'],
            'technicians' => [[
                'id' => 'ann', 'lat' => 50, 'lon' => 8, 'from' => '08:00', 'to' => '16:00', 'absences' => ['2026-06-03'],
                'skills' => ['three-phase'],
            ]],
            'visits' => [$visit + ['id' => 'v', 'lat' => 50, 'lon' => 8, 'duration_min' => 60]],
        ])));
        self::assertSame($reason, $slots->refusal(0, 0, Day::read($day) ?? 0));
    }

    /** @return iterable<string, array{array<string, mixed>, string, ?string}> */
    public static function days(): iterable
    {
        yield 'the first day' => [[], '2026-06-01', null];
        yield 'the day before' => [[], '2026-05-31', 'not-in-range'];
        yield 'the last day' => [[], '2026-06-08', null];
        yield 'the day after' => [[], '2026-06-09', 'not-in-range'];
        yield 'an absence' => [[], '2026-06-03', 'absent'];
        yield 'a holiday' => [[], '2026-06-04', 'absent'];
        yield 'a Friday' => [[], '2026-06-05', null];
        yield 'a Saturday' => [[], '2026-06-06', 'not-working'];
        yield 'with the skill' => [['skills' => ['three-phase']], '2026-06-01', null];
        yield 'without it' => [['skills' => ['gas']], '2026-06-01', 'no-skill'];
        yield 'on the earliest' => [['earliest' => '2026-06-02'], '2026-06-02', null];
        yield 'before it' => [['earliest' => '2026-06-02'], '2026-06-01', 'too-early'];
        yield 'on the latest' => [['latest' => '2026-06-02'], '2026-06-02', null];
        yield 'after it' => [['latest' => '2026-06-01'], '2026-06-02', 'too-late'];
        yield 'as long as the day' => [['duration_min' => 480], '2026-06-01', null];
        yield 'longer' => [['duration_min' => 481], '2026-06-01', 'too-long'];
        yield 'open until the hour it takes' => [['from' => '15:00'], '2026-06-01', null];
        yield 'a minute later' => [['from' => '15:01'], '2026-06-01', 'too-long'];
    }
}
