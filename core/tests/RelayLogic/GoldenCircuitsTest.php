<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\RelayLogic;

use Escapement\Core\RelayLogic\RelayCircuit;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What is found in a standard circuit with a slip in it, as it was last looked through; bench/variants.php --rewrite writes it. */
final class GoldenCircuitsTest extends TestCase
{
    /** @param list<string> $said */
    #[Test, DataProvider('circuits')]
    public function a_circuit_with_a_slip_is_told_as_it_was(RelayCircuit $circuit, array $said): void
    {
        self::assertSame($said, GoldenCircuits::told($circuit));
    }

    /** @return iterable<string, array{RelayCircuit, list<string>}> */
    public static function circuits(): iterable
    {
        $kept = json_decode((string) file_get_contents(dirname(__DIR__) . '/data/circuits.json'), true, 512, JSON_THROW_ON_ERROR);
        foreach (GoldenCircuits::all() as $name => $circuit) {
            yield $name => [$circuit, $kept[$name] ?? []];
        }
    }
}
