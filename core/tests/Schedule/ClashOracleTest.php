<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Schedule;

use Escapement\Core\Input\Node;
use Escapement\Core\Wire\Schedule\ExerciseClashesReader;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Made-up weeks on a grid of half hours, so that much ends as something else begins, against what a slow search says of them. */
final class ClashOracleTest extends TestCase
{
    private const DAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'];

    #[Test, DataProvider('weeks')]
    public function a_slow_search_finds_the_same_clashes_and_the_same_free_time(int $seed): void
    {
        $week = self::week($seed);
        $answer = (new ExerciseClashesReader())->answer(Node::fromArray($week));
        $clashes = array_map(
            static fn(array $one): array => [
                $one['switch'], $one['kinds'], $one['with'], $one['action'], $one['slot']['shift_min'] ?? null,
            ],
            $answer['clashes'],
        );
        $expected = (new ClashOracle($week))->told();
        self::assertSame($expected['clashes'], $clashes, json_encode($week, JSON_THROW_ON_ERROR));
        self::assertSame($expected['shifts'], array_column($answer['shifts'], 'shift_min', 'switch'));
    }

    /** @return iterable<string, array{int}> */
    public static function weeks(): iterable
    {
        for ($seed = 1; $seed <= 60; $seed++) {
            yield "week $seed" => [$seed];
        }
    }

    /** @return array<string, mixed> */
    private static function week(int $seed): array
    {
        $random = new Randomizer(new Mt19937($seed));
        $hours = static fn(int $from, int $to): array => [
            'days' => array_map(static fn(int $key): string => self::DAYS[$key], $random->pickArrayKeys(self::DAYS, $random->getInt(3, 7))),
            'from' => self::time($from + $random->getInt(0, 4)), 'to' => self::time($to + $random->getInt(0, 4)),
        ];
        $maybe = static fn(array $more): array => $random->getInt(0, 2) === 0 ? $more : [];
        $day = static fn(): string => sprintf('2026-06-%02d', $random->getInt(1, 7));
        $switches = [];
        for ($i = 0; $i < 5; $i++) {
            $exercise = ['time' => self::time($random->getInt(14, 26)), 'for_min' => 30 * $random->getInt(1, 3)]
                + ($random->getInt(0, 3) === 0 ? ['every' => 'daily'] : ['every' => 'weekly', 'day' => self::DAYS[$random->getInt(0, 2)]])
                + $maybe(['with_load' => true]) + $maybe(['skip' => [$day()]]);
            $switches[] = ['id' => "s$i", 'zone' => 'UTC', 'exercise' => $exercise] + $maybe(['person' => 'ann'])
                + $maybe(['group' => 'street']) + $maybe(['quiet_hours' => [$hours(40, 10)]]) + $maybe(['sleep_hours' => [$hours(16, 18)]])
                + $maybe(['business_hours' => [$hours(16, 34)]]);
        }

        return [
            'from' => '2026-06-01', 'to' => '2026-06-07', 'switches' => $switches, 'search' => ['step_min' => 30, 'days' => $seed % 2],
            'people' => [[
                'id' => 'ann', 'zone' => 'UTC', 'hours' => [$hours(12, 20), $hours(20, 30)], 'between_min' => 30 * $random->getInt(0, 2),
            ] + $maybe(['absences' => [['from' => '2026-06-02', 'to' => '2026-06-02']]])],
            'groups' => [['id' => 'street', 'max_together' => $random->getInt(1, 2), 'gap_min' => 30 * $random->getInt(0, 3)]],
            'blocks' => $maybe([[
                'id' => 'storm', 'from' => $day() . 'T08:00:00Z', 'to' => '2026-06-08T10:30:00Z',
            ] + $maybe(['switches' => ['s0', 's1']])]),
        ];
    }

    private static function time(int $halfHours): string
    {
        return sprintf('%02d:%02d', intdiv($halfHours, 2), 30 * ($halfHours % 2));
    }
}
