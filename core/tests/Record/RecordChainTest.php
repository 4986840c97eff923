<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Record;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Record\RecordChain;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class RecordChainTest extends TestCase
{
    /** @return array<string, mixed> */
    private static function export(): array
    {
        $chain = new RecordChain();
        $hash = RecordChain::GENESIS;
        $entries = [];
        foreach ([
            ['do' => 'mark', 'at_ms' => 0],
            ['do' => 'mark', 'at_ms' => 5700],
            ['do' => 'note', 'text' => 'Überspannung 1.0'],
        ] as $entry) {
            $hash = $chain->hash($hash, $entry);
            $entries[] = ['hash' => $hash] + $entry;
        }

        return ['record' => ['head' => $hash, 'entries' => $entries]];
    }

    #[Test]
    public function an_untouched_record_verifies_whatever_the_order_of_its_keys(): void
    {
        $export = self::export();
        $export['record']['entries'][1] = array_reverse($export['record']['entries'][1], true);
        self::assertSame(3, (new RecordChain())->verifyExport(Node::fromArray($export))['entries']);
    }

    /** @param callable(array<string, mixed>): array<string, mixed> $tamper */
    #[Test, DataProvider('tamperings')]
    public function a_touched_record_is_named_at_the_place(string $path, callable $tamper): void
    {
        $this->expectExceptionObject(new BadInput($path, 'x'));
        try {
            (new RecordChain())->verifyExport(Node::fromArray($tamper(self::export())));
        } catch (BadInput $e) {
            throw new BadInput($e->path, 'x');
        }
    }

    /** @return iterable<string, array{string, callable(array<string, mixed>): array<string, mixed>}> */
    public static function tamperings(): iterable
    {
        yield 'a time is changed' => ['/record/entries/1', static function (array $x): array {
            $x['record']['entries'][1]['at_ms'] = 5600;

            return $x;
        }];
        yield 'an entry is taken out' => ['/record/entries/1', static function (array $x): array {
            array_splice($x['record']['entries'], 1, 1);

            return $x;
        }];
        yield 'the end is cut off' => ['/record/head', static function (array $x): array {
            array_pop($x['record']['entries']);

            return $x;
        }];
        yield 'there is no record' => ['/record', static fn(array $x): array => ['run' => 1]];
    }
}
