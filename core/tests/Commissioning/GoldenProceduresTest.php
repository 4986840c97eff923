<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Commissioning;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What the steps of each procedure ask for, as it was last looked through; bench/variants.php --rewrite writes it. */
final class GoldenProceduresTest extends TestCase
{
    /** @param list<string> $said */
    #[Test, DataProvider('procedures')]
    public function a_procedure_asks_for_what_it_asked_for(string $kind, ?string $circuit, array $said): void
    {
        self::assertSame($said, GoldenProcedures::told($kind, $circuit));
    }

    /** @return iterable<string, array{string, ?string, list<string>}> */
    public static function procedures(): iterable
    {
        $kept = json_decode((string) file_get_contents(dirname(__DIR__) . '/data/procedures.json'), true, 512, JSON_THROW_ON_ERROR);
        foreach (GoldenProcedures::all() as $name => [$kind, $circuit]) {
            yield $name => [$kind, $circuit, $kept[$name] ?? []];
        }
    }
}
