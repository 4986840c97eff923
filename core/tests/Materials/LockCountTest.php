<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Materials;

use Escapement\Core\Input\Node;
use Escapement\Core\Materials\LockCount;
use Escapement\Core\Wire\Topology\OneLineReader;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** A lock for each thing that is stopped, unplugged or emptied here, and one for another person. Rule: docs/rules.md#materials. */
final class LockCountTest extends TestCase
{
    /** @return iterable<string, array{list<array{string, ?string}>, int}> types and kinds of what is on the drawing, locks */
    public static function drawings(): iterable
    {
        $utility = ['source', 'utility'];
        yield 'a utility locks its own: two all the same' => [[$utility], 2];
        yield 'two utilities' => [[$utility, $utility], 2];
        yield 'a generator has a breaker and a battery' => [[$utility, ['source', 'generator']], 3];
        yield 'two generators' => [[['source', 'generator'], ['source', 'generator']], 5];
        yield 'an inverter' => [[$utility, ['source', 'inverter']], 2];
        yield 'an inverter and a shore cord' => [[['source', 'shore'], ['source', 'inverter']], 3];
        yield 'a transformer is not ours to stop' => [[['source', 'transformer'], ['source', 'transformer']], 2];
        yield 'a battery keeps its charge' => [[$utility, ['source', 'generator'], ['battery', null]], 4];
        yield 'so does a capacitor' => [[$utility, ['source', 'generator'], ['capacitor', null]], 4];
        yield 'and what rides through' => [[$utility, ['source', 'generator'], ['ups', null]], 4];
    }

    /** @param list<array{string, ?string}> $parts */
    #[Test, DataProvider('drawings')]
    public function each_source_and_store_takes_its_locks(array $parts, int $locks): void
    {
        $elements = [['id' => 'panel', 'type' => 'panel', 'role' => 'main', 'rating_a' => 200]];
        foreach ($parts as $i => [$type, $kind]) {
            $elements[] = ['id' => "e$i", 'type' => $type] + ($kind === null ? [] : ['kind' => $kind]);
        }
        $drawing = (new OneLineReader())->whole(Node::fromArray([
            'system' => 'split',
            'elements' => $elements,
            'links' => [['from' => 'e0', 'to' => 'panel']],
        ]));
        self::assertSame($locks, LockCount::of($drawing));
    }
}
