<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Wire;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Wire\Calculations;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Limits between two fields, which no schema can say: on them is taken, beyond them is refused at its own field. */
final class ReaderEdgesTest extends TestCase
{
    private const SERVICE = [
        'today' => '2026-05-01', 'installed' => '2026-02-01', 'readings' => [['date' => '2026-02-01', 'hours' => 0.6]],
    ];
    private const VISITS = [
        'start' => '2026-06-01',
        'technicians' => [['id' => 'ann', 'lat' => 50, 'lon' => 8]],
    ];
    private const VISIT = ['id' => 'v', 'lat' => 50, 'lon' => 8, 'duration_min' => 60];

    /** @param array<string, mixed> $input */
    #[Test, DataProvider('edges')]
    public function the_edge_is_taken_and_what_lies_beyond_it_refused(string $calc, array $input, ?string $path): void
    {
        try {
            $answer = (new Calculations())->calc($calc, Node::fromArray($input));
            self::assertNull($path, json_encode($answer) ?: '');
        } catch (BadInput $e) {
            self::assertSame($path, $e->path, $e->getMessage());
        }
    }

    /** @return iterable<string, array{string, array<string, mixed>, ?string}> */
    public static function edges(): iterable
    {
        $done = static fn(string $day): array => self::SERVICE + ['history' => [['item' => 'oil-filter', 'date' => $day]]];
        $item = ['items' => [['id' => 'oil-filter', 'hours' => 100, 'months' => 12]]];
        yield 'serviced on the day it was installed' => ['service_due', $done('2026-02-01') + $item, null];
        yield 'serviced today' => ['service_due', $done('2026-05-01') + $item, null];
        yield 'serviced before it was there' => ['service_due', $done('2026-01-31') + $item, '/history/0/date'];
        yield 'serviced tomorrow' => ['service_due', $done('2026-05-02') + $item, '/history/0/date'];
        $visit = static fn(array $more): array => self::VISITS + ['visits' => [$more + self::VISIT]];
        yield 'no earlier than the latest' => ['visit_plan', $visit(['earliest' => '2026-06-02', 'latest' => '2026-06-02']), null];
        yield 'later than the latest' => ['visit_plan', $visit(['earliest' => '2026-06-03', 'latest' => '2026-06-02']), '/visits/0/latest'];
        $lock = static fn(string $who, string $day): array => $visit(['lock' => ['technician' => $who, 'date' => $day]]);
        yield 'locked to the first day' => ['visit_plan', $lock('ann', '2026-06-01'), null];
        yield 'locked to the tenth, the last where none is said' => ['visit_plan', $lock('ann', '2026-06-10'), null];
        yield 'locked to the day after' => ['visit_plan', $lock('ann', '2026-06-11'), '/visits/0/lock/date'];
        yield 'locked to the day before' => ['visit_plan', $lock('ann', '2026-05-31'), '/visits/0/lock/date'];
        yield 'locked to nobody' => ['visit_plan', $lock('bob', '2026-06-01'), '/visits/0/lock/technician'];
        yield 'hours that end as they begin' => ['visit_plan', $visit(['from' => '10:00', 'to' => '10:00']), '/visits/0/to'];
        yield 'a minute' => ['visit_plan', $visit(['from' => '10:00', 'to' => '10:01']), null];
        yield 'to the end of the day' => ['visit_plan', $visit(['from' => '10:00', 'to' => '24:00']), null];
    }
}
