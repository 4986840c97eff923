<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\RelayLogic;

use Escapement\Core\RelayLogic\StandardCircuits;
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
        $kept = self::kept();
        foreach (GoldenPlays::all() as $name => $input) {
            yield $name => [$input, $kept[$name] ?? []];
        }
    }

    #[Test, DataProvider('circuits')]
    public function the_stories_that_stand_ready_come_to_what_they_came_to(string $key): void
    {
        self::assertSame(self::kept()["stories of $key"] ?? [], GoldenPlays::stories($key));
    }

    /** @return iterable<string, array{string}> */
    public static function circuits(): iterable
    {
        foreach (array_keys(StandardCircuits::all()) as $key) {
            yield "circuit $key" => [(string) $key];
        }
    }

    /** @return array<string, list<string>> */
    private static function kept(): array
    {
        return json_decode((string) file_get_contents(dirname(__DIR__) . '/data/plays.json'), true, 512, JSON_THROW_ON_ERROR);
    }
}
