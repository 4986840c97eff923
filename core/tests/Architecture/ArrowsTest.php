<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Architecture;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What no rule of PHPStan says: that the arrows have no knot, that each is used, and what names a class without using it. */
final class ArrowsTest extends TestCase
{
    #[Test, DataProvider('folders')]
    public function a_folder_uses_only_what_its_arrows_allow(string $folder): void
    {
        self::assertArrayHasKey($folder, Arrows::ALLOWED, "The folder $folder has no place in the table of arrows.");
        foreach (self::files($folder) as $file) {
            foreach (self::foldersUsedBy($file) as $used) {
                self::assertContains($used, [$folder, ...Arrows::ALLOWED[$folder]], "$file uses $used");
            }
        }
    }

    #[Test]
    public function arrows_point_up_the_list(): void
    {
        $above = [];
        foreach (Arrows::ALLOWED as $folder => $allowed) {
            self::assertSame([], array_diff($allowed, $above), "$folder points down or to nothing");
            $above[] = $folder;
        }
        self::assertEqualsCanonicalizing(
            array_column(iterator_to_array(self::folders()), 0),
            $above,
            'The table names a folder that is gone.',
        );
    }

    #[Test]
    public function no_arrow_is_allowed_that_nobody_uses(): void
    {
        foreach (Arrows::ALLOWED as $folder => $allowed) {
            $used = [];
            foreach (self::files($folder) as $file) {
                array_push($used, ...self::foldersUsedBy($file));
            }
            self::assertSame([], array_diff($allowed, $used), "$folder is allowed more than it uses");
        }
    }

    /** @return iterable<string, array{string}> */
    public static function folders(): iterable
    {
        foreach ((array) glob(self::src() . '/*', GLOB_ONLYDIR) as $path) {
            yield basename((string) $path) => [basename((string) $path)];
        }
    }

    /** @return list<string> */
    private static function foldersUsedBy(string $file): array
    {
        preg_match_all('/\bEscapement\\\\Core\\\\(\w+)\\\\\w/', (string) file_get_contents($file), $found);

        return array_values(array_unique($found[1]));
    }

    /** @return iterable<string> */
    private static function files(string $folder): iterable
    {
        $tree = new \RecursiveDirectoryIterator(self::src() . "/$folder", \FilesystemIterator::SKIP_DOTS);
        foreach (new \RecursiveIteratorIterator($tree) as $file) {
            yield (string) $file;
        }
    }

    private static function src(): string
    {
        return dirname(__DIR__, 2) . '/src';
    }
}
