<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Device;

use Escapement\Core\Device\Feed\FeedStanding;
use Escapement\Core\Device\Feed\FeedState;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Wire\Device\FeedReader;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What a device says of itself, and how long it may be shown as what is. */
final class FeedTest extends TestCase
{
    /** @return iterable<string, array{?int, int, FeedState}> last heard, now, state, at an interval of a minute */
    public static function standings(): iterable
    {
        yield 'never heard' => [null, 1_000_000, FeedState::Never];
        yield 'just now' => [1_000_000, 1_000_000, FeedState::Live];
        yield 'three intervals ago' => [0, 180_000, FeedState::Live];
        yield 'a millisecond longer' => [0, 180_001, FeedState::Silent];
        yield 'ahead of our clock' => [2_000, 1_000, FeedState::Live];
    }

    #[Test, DataProvider('standings')]
    public function what_was_heard_is_live_for_three_intervals_and_no_longer(?int $heard, int $now, FeedState $state): void
    {
        self::assertSame($state, FeedStanding::of(60, $heard, $heard, true, $now)->state);
    }

    /** @return iterable<string, array{int, bool, ?int}> what the device's clock said at 1 000 000, alone, and what is wrong with it */
    public static function clocks(): iterable
    {
        yield 'right' => [1_000_000, true, null];
        yield 'two minutes off' => [1_120_000, true, null];
        yield 'a little more' => [1_120_001, true, 120_001];
        yield 'late' => [879_999, true, -120_001];
        yield 'late, out of a store' => [0, false, null];
    }

    #[Test, DataProvider('clocks')]
    public function a_clock_that_is_off_is_said_where_the_line_came_at_once(int $said, bool $isFresh, ?int $off): void
    {
        self::assertSame($off, FeedStanding::of(60, 1_000_000, $said, $isFresh, 1_000_000)->clockOffMs);
    }

    #[Test]
    public function gaps_are_found_by_the_devices_clock_in_whatever_order_lines_came(): void
    {
        $at = [0, 60_000, 120_000, 300_000, 300_000 + 180_000, 661_000];
        shuffle($at);
        self::assertSame([[480_000, 661_000]], FeedStanding::gaps($at, 60));
        self::assertSame([], FeedStanding::gaps([5], 60));
        self::assertSame([], FeedStanding::gaps([], 60));
    }

    #[Test]
    public function a_line_says_what_the_device_knows_and_no_more(): void
    {
        $line = (new FeedReader())->line(
            '{"seq":7,"at":"2026-11-27T14:35:00.250Z","position":"normal","v_normal":[120.1,121],"battery_v":12.6}',
        );
        self::assertSame([7, 1_795_790_100_250, false], [$line->seq, $line->atMs, $line->isSimulated]);
        self::assertSame(['position' => 'normal', 'v_normal' => [120.1, 121.0], 'battery_v' => 12.6], $line->state);
    }

    /** @return iterable<string, array{string, string}> */
    public static function faults(): iterable
    {
        $good = '"seq":1,"at":"2026-11-27T14:35:00Z"';
        yield 'no JSON' => ['hello', ''];
        yield 'a list' => ['[]', ''];
        yield 'no number' => ['{"at":"2026-11-27T14:35:00Z"}', '/seq'];
        yield 'a number below' => ['{"seq":-1,"at":"2026-11-27T14:35:00Z"}', '/seq'];
        yield 'no moment' => ['{"seq":1}', '/at'];
        yield 'an hour of somewhere' => ['{"seq":1,"at":"2026-11-27T14:35:00+02:00"}', '/at'];
        yield 'no such day' => ['{"seq":1,"at":"2026-13-27T14:35:00Z"}', '/at'];
        yield 'a position that is none' => ["{{$good},\"position\":\"sideways\"}", '/position'];
        yield 'four legs' => ["{{$good},\"v_normal\":[1,2,3,4]}", '/v_normal'];
        yield 'a leg that is no number' => ["{{$good},\"a\":[1,\"much\"]}", '/a/1'];
        yield 'more than full' => ["{{$good},\"fuel_pct\":101}", '/fuel_pct'];
        yield 'what nobody knows' => ["{{$good},\"mood\":1}", '/mood'];
    }

    #[Test, DataProvider('faults')]
    public function a_line_with_a_fault_says_where(string $json, string $path): void
    {
        try {
            (new FeedReader())->line($json);
            self::fail('it was taken');
        } catch (BadInput $fault) {
            self::assertSame($path, $fault->path);
        }
    }
}
