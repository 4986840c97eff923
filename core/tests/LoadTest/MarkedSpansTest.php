<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\LoadTest;

use Escapement\Core\Finding\Finding;
use Escapement\Core\LoadTest\MarkedMoment;
use Escapement\Core\LoadTest\MarkedSpan;
use Escapement\Core\LoadTest\MarkedSpans;
use Escapement\Core\LoadTest\TestMark;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** A load test as it was marked by a thumb. */
final class MarkedSpansTest extends TestCase
{
    #[Test]
    public function a_failure_in_the_middle_is_a_step_of_its_own_and_the_broken_step_goes_on(): void
    {
        $spans = new MarkedSpans(self::moments([
            ['started', 0], ['step_up', 60, 30.0], ['step_up', 960, 50.0], ['utility_failed', 1200], ['bank_dropped', 1203],
            ['utility_back', 1500], ['cool_down', 2400], ['stopped', 2700],
        ]), true);
        self::assertSame([
            ['started', 0.0, 60.0, null], ['step_up', 60.0, 960.0, 30.0], ['step_up', 960.0, 1200.0, 50.0],
            ['utility_failed', 1200.0, 1500.0, null], ['step_up', 1500.0, 2400.0, 50.0], ['cool_down', 2400.0, 2700.0, null],
        ], self::told($spans));
        self::assertSame(4.0, $spans->spans[2]->minutes());
        self::assertSame(['failed-in-test'], self::ids($spans), 'the bank dropped in time');
    }

    #[Test]
    public function what_goes_on_has_no_end_until_the_test_is_closed(): void
    {
        $moments = self::moments([['started', 0], ['step_up', 60, 30.0]]);
        $last = (new MarkedSpans($moments, false))->spans[1];
        self::assertNull($last->toS);
        self::assertNull($last->minutes());
        self::assertSame(900.0, (new MarkedSpans($moments, false, 900.0))->spans[1]->toS);
        self::assertSame(60.0, (new MarkedSpans($moments, false, 12.0))->spans[1]->toS, 'it does not end before it began');
    }

    /**
     * @param list<array{0: string, 1: float|int, 2?: float}> $marks
     * @param list<string>                                    $ids
     */
    #[Test, DataProvider('failures')]
    public function a_bank_that_stays_on_is_told(array $marks, bool $hasBank, array $ids): void
    {
        self::assertSame($ids, self::ids(new MarkedSpans(self::moments($marks), $hasBank)));
    }

    /** @return iterable<string, array{list<array{0: string, 1: float|int, 2?: float}>, bool, list<string>}> */
    public static function failures(): iterable
    {
        yield 'no failure' => [[['started', 0], ['bank_dropped', 9]], true, []];
        yield 'dropped at the last moment' => [[['utility_failed', 100], ['bank_dropped', 110]], true, ['failed-in-test']];
        yield 'dropped too late' => [[['utility_failed', 100], ['bank_dropped', 110.5]], true, ['bank-stayed-on', 'failed-in-test']];
        yield 'never dropped' => [[['utility_failed', 100]], true, ['bank-stayed-on', 'failed-in-test']];
        yield 'dropped before' => [[['bank_dropped', 90], ['utility_failed', 100]], true, ['bank-stayed-on', 'failed-in-test']];
        yield 'no bank at all' => [[['utility_failed', 100]], false, ['failed-in-test']];
        yield 'the second failure' => [
            [['utility_failed', 1], ['bank_dropped', 2], ['utility_back', 50], ['utility_failed', 60]], true,
            ['bank-stayed-on', 'failed-in-test'],
        ];
    }

    /**
     * @param list<array{0: string, 1: float|int, 2?: float}> $marks
     *
     * @return list<MarkedMoment>
     */
    private static function moments(array $marks): array
    {
        return array_map(
            static fn(array $one): MarkedMoment => new MarkedMoment(TestMark::from($one[0]), (float) $one[1], $one[2] ?? null),
            $marks,
        );
    }

    /** @return list<array{string, float, ?float, ?float}> */
    private static function told(MarkedSpans $spans): array
    {
        return array_map(
            static fn(MarkedSpan $one): array => [$one->kind->value, $one->fromS, $one->toS, $one->levelPct],
            $spans->spans,
        );
    }

    /** @return list<string> */
    private static function ids(MarkedSpans $spans): array
    {
        return array_map(static fn(Finding $one): string => $one->id, $spans->findings);
    }
}
