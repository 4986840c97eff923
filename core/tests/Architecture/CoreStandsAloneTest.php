<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Architecture;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** The core knows nobody: no framework, no application, no clock, no chance, no file, no environment. */
final class CoreStandsAloneTest extends TestCase
{
    private const FORBIDDEN_CALLS = [
        'time', 'microtime', 'hrtime', 'date', 'now', 'rand', 'mt_rand', 'random_int', 'fopen', 'file_get_contents', 'file_put_contents',
        'getenv', 'env', 'config', 'header', 'curl_init', 'exec', 'shell_exec', 'echo', 'print',
    ];

    /** Chance by a seed that comes in as an argument repeats itself, and is no chance. */
    private const SEEDED = ['Random\Randomizer', 'Random\Engine\Xoshiro256StarStar'];

    #[Test, DataProvider('files')]
    public function a_core_file_leans_on_the_core_only(string $file): void
    {
        $tokens = \PhpToken::tokenize((string) file_get_contents($file));
        foreach ($tokens as $i => $token) {
            if ($token->is([T_NAME_QUALIFIED, T_NAME_FULLY_QUALIFIED])) {
                $name = ltrim($token->text, '\\');
                $isOwn = str_starts_with($name, 'Escapement\Core');
                $isPhp = ! str_contains($name, '\\') || in_array($name, self::SEEDED, true);
                self::assertTrue($isOwn || $isPhp, "$file leans on $name");
            }
            $next = $tokens[$i + 1] ?? null;
            $previous = $tokens[$i - 1] ?? null;
            if ($token->is(T_STRING) && $next?->text === '(' && ! $previous?->is([
                T_OBJECT_OPERATOR,
                T_DOUBLE_COLON,
                T_NULLSAFE_OBJECT_OPERATOR,
            ])) {
                $before = $tokens[$i - 2] ?? null;
                self::assertFalse(
                    ! $before?->is(T_FUNCTION) && in_array($token->text, self::FORBIDDEN_CALLS, true),
                    "$file calls $token->text()",
                );
            }
        }
        self::assertStringContainsString('declare(strict_types=1);', (string) file_get_contents($file));
    }

    /** @return iterable<string, array{string}> */
    public static function files(): iterable
    {
        $src = dirname(__DIR__, 2) . '/src';
        foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator($src, \FilesystemIterator::SKIP_DOTS)) as $file) {
            yield substr((string) $file, strlen($src) + 1) => [(string) $file];
        }
    }
}
