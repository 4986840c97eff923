<?php

declare(strict_types=1);

namespace Tests\Architecture;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Finder\Finder;

/** The formatters break no expressions: this says where a line of PHP, Blade or a script has grown too long to be read. */
final class LinesTest extends TestCase
{
    private const MOST = 140;

    #[Test, DataProvider('folders')]
    public function no_line_is_longer_than_is_read_at_a_glance(string $folder): void
    {
        $long = [];
        $kinds = ['*.php', '*.js', '*.mjs', '*.sh', '*.py', '/^[a-z-]+$/'];
        foreach ((new Finder())->files()->in(dirname(__DIR__, 2) . "/$folder")->name($kinds)->notPath('Fixtures') as $file) {
            foreach (explode("\n", $file->getContents()) as $i => $line) {
                if (mb_strlen($line) > self::MOST) {
                    $long[] = "$folder/{$file->getRelativePathname()}:" . ($i + 1);
                }
            }
        }
        self::assertSame([], $long);
    }

    /** @return iterable<string, array{string}> */
    public static function folders(): iterable
    {
        $folders = [
            'app', 'bench', 'bin', 'config', 'core/data', 'core/src', 'core/tests', 'database', 'resources/js', 'resources/views', 'routes',
            'tests',
        ];
        foreach ($folders as $folder) {
            yield $folder => [$folder];
        }
    }
}
