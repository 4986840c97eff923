<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\RelayLogic;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What a circuit does and why, as it was last looked through; bench/variants.php --rewrite writes it. */
final class GoldenPlaysTest extends TestCase
{
    /** @param list<string> $said */
    #[Test, DataProvider('plays')]
    public function a_circuit_is_played_and_told_as_it_was(\stdClass $input, array $said): void
    {
        self::assertSame($said, GoldenPlays::told($input));
    }

    /** @return iterable<string, array{\stdClass, list<string>}> */
    public static function plays(): iterable
    {
        $kept = json_decode((string) file_get_contents(dirname(__DIR__) . '/data/plays.json'), true, 512, JSON_THROW_ON_ERROR);
        foreach (GoldenPlays::all() as $name => $input) {
            yield $name => [$input, $kept[$name] ?? []];
        }
    }
}
