<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Schedule;

use Escapement\Core\Input\Node;
use Escapement\Core\Schedule\Logbook\LogbookReach;
use Escapement\Core\Schedule\Logbook\LogbookSummary;
use Escapement\Core\Wire\Schedule\LogbookReader;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class LogbookReachTest extends TestCase
{
    private const HOUR = 3600;
    private const START = 1_600_000_000;

    #[Test, DataProvider('seeds')]
    public function what_is_left_out_changes_no_figure(int $seed): void
    {
        mt_srand($seed);
        $entries = self::logbook(mt_rand(0, 90));
        $from = self::START + mt_rand(0, 90 * 24) * self::HOUR;
        $to = $from + mt_rand(1, 60 * 24) * self::HOUR;
        $kept = self::kept($entries, $from, $to);

        self::assertSame(self::summary($entries, $from, $to), self::summary($kept, $from, $to));
    }

    #[Test]
    public function years_before_the_span_are_left_out(): void
    {
        $entries = array_map(static fn(int $day): array => [
            'at' => self::at(24 * $day), 'kind' => 'exercise', 'done' => true, 'run_min' => 12,
        ], range(0, 999));

        self::assertCount(99, self::kept($entries, self::START + 901 * 24 * self::HOUR, PHP_INT_MAX));
    }

    /** @return iterable<string, array{int}> */
    public static function seeds(): iterable
    {
        foreach (range(1, 120) as $seed) {
            yield "seed $seed" => [$seed];
        }
    }

    /** @return list<array<string, mixed>> in the order of time, outages that do not overlap */
    private static function logbook(int $count): array
    {
        $entries = [];
        $hour = 0;
        for ($i = 0; $i < $count; $i++) {
            $hour += mt_rand(1, 60);
            $end = self::at($hour + mt_rand(0, 2));
            $entries[] = ['at' => self::at($hour)] + match (mt_rand(0, 9)) {
                0 => ['kind' => 'hours', 'hours' => 100 + $i],
                1 => ['kind' => 'exercise', 'done' => mt_rand(0, 1) === 1],
                2 => ['kind' => 'outage', 'end' => self::at($hour), 'run_min' => 30, 'transfer_s' => 12],
                3 => ['kind' => 'alarm', 'code' => 'low'] + (mt_rand(0, 1) === 1 ? ['cleared' => $end] : []),
                4 => ['kind' => 'fuel_level', 'amount' => mt_rand(10, 90)],
                5 => ['kind' => 'fuel_fill', 'amount' => mt_rand(10, 90)],
                6 => ['kind' => 'settings', 'when' => mt_rand(0, 1) === 1 ? 'found' : 'left', 'hash' => 'v' . mt_rand(1, 2)],
                7 => ['kind' => 'visit', 'until' => $end, 'by' => 'Ada'],
                8 => ['kind' => 'battery', 'v' => 12.1 + mt_rand(0, 9) / 10],
                default => ['kind' => 'test', 'run_min' => 60, 'kw' => 10],
            };
        }

        return $entries;
    }

    /**
     * @param list<array<string, mixed>> $entries
     *
     * @return list<array<string, mixed>>
     */
    private static function kept(array $entries, int $from, int $to): array
    {
        $lines = array_map(self::line(...), $entries);
        $reach = new LogbookReach(array_values(array_filter(
            $lines,
            static fn(array $line): bool => in_array($line['kind'], LogbookReach::REACHING, true),
        )), $from, $to);

        return array_values(array_filter(
            $entries,
            static fn(array $entry): bool => $reach->needs(...array_values(self::line($entry))),
        ));
    }

    private static function at(int $hour): string
    {
        return gmdate('Y-m-d\TH:i:s\Z', self::START + $hour * self::HOUR);
    }

    /**
     * @param array<string, mixed> $entry
     *
     * @return array{kind: string, at: int, end: ?int}
     */
    private static function line(array $entry): array
    {
        $end = $entry['cleared'] ?? $entry['until'] ?? null;

        return ['kind' => $entry['kind'], 'at' => (int) strtotime($entry['at']), 'end' => $end === null ? null : (int) strtotime($end)];
    }

    /** @param list<array<string, mixed>> $entries */
    private static function summary(array $entries, int $from, int $to): string
    {
        $result = (new LogbookSummary())->of((new LogbookReader())->input(Node::fromArray([
            'from' => gmdate('Y-m-d\TH:i:s\Z', $from), 'to' => gmdate('Y-m-d\TH:i:s\Z', $to),
            'source' => ['fuel' => 'diesel', 'rated_kw' => 20], 'entries' => $entries,
        ])));

        return json_encode([$result->values, $result->findings], JSON_THROW_ON_ERROR);
    }
}
