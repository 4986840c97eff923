<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Cli;

use Escapement\Core\Wire\Calculations;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What the README shows works as it stands, and every calculation explains its fields. */
final class ExamplesTest extends TestCase
{
    #[Test, DataProvider('commands')]
    public function a_command_of_the_readme_answers(string $command): void
    {
        [$exit, $out, $error] = self::execute("bin/escapement $command");
        self::assertSame([0, ''], [$exit, $error], $command);
        self::assertNotSame('', $out);
    }

    /** @return iterable<string, array{string}> */
    public static function commands(): iterable
    {
        preg_match_all('/^\$ bin\/escapement ([^#\n]+)/m', (string) file_get_contents(dirname(__DIR__, 3) . '/README.md'), $found);
        foreach ($found[1] as $command) {
            yield trim($command) => [trim($command)];
        }
    }

    #[Test, DataProvider('names')]
    public function help_tells_every_field_with_its_unit(string $name): void
    {
        $schema = json_decode(
            (string) file_get_contents(dirname(__DIR__, 3) . "/docs/schema/$name.schema.json"),
            true,
            64,
            JSON_THROW_ON_ERROR,
        );
        [$exit, $out] = self::execute("bin/escapement calc $name --help");
        self::assertSame(0, $exit);
        $variants = [
            $schema,
            ...array_map(
                static fn(array $one): array => isset($one['$ref']) ? $schema['$defs'][basename($one['$ref'])] : $one,
                $schema['oneOf'] ?? $schema['anyOf'] ?? [],
            ),
        ];
        $fields = array_merge(...array_map(static fn(array $one): array => array_keys($one['properties'] ?? []), $variants));
        self::assertNotSame([], $fields);
        foreach ($fields as $field) {
            self::assertStringContainsString("/$field", $out);
        }
        if (preg_match('/^  (\S+_ms)\S* .*$/m', $out, $line) === 1) {
            self::assertStringContainsString(', ms', $line[0]);
        }
    }

    /** @return iterable<string, array{string}> */
    public static function names(): iterable
    {
        foreach (Calculations::NAMES as $name) {
            yield $name => [$name];
        }
    }

    /** @return array{int, string, string} */
    private static function execute(string $command): array
    {
        $process = proc_open($command, [1 => ['pipe', 'w'], 2 => ['pipe', 'w']], $pipes, dirname(__DIR__, 3));
        self::assertIsResource($process);
        $out = (string) stream_get_contents($pipes[1]);
        $error = (string) stream_get_contents($pipes[2]);

        return [proc_close($process), $out, $error];
    }
}
