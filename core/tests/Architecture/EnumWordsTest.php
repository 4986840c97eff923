<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Architecture;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What the cases of an enumeration are called: none is left without words, and no two are called the same. */
final class EnumWordsTest extends TestCase
{
    /** What may say nothing, or the same of two cases. */
    private const MAY_BE_EMPTY = ['unit'];
    private const NAMES = ['label', 'title', 'teaches', 'ownerWords', 'question'];

    /** @param class-string<\UnitEnum> $enum */
    #[Test, DataProvider('words')]
    public function each_case_has_words_of_its_own(string $enum, string $method): void
    {
        $said = array_map(static fn(\UnitEnum $case): string => $case->{$method}(), $enum::cases());
        foreach ($said as $i => $words) {
            self::assertNotSame('', $words, $enum::cases()[$i]->name);
        }
        if (in_array($method, self::NAMES, true)) {
            self::assertSame(array_unique($said), $said);
        }
    }

    /** @return iterable<string, array{class-string<\UnitEnum>, string}> */
    public static function words(): iterable
    {
        $root = dirname(__DIR__, 2) . '/src/';
        foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator($root, \FilesystemIterator::SKIP_DOTS)) as $file) {
            $name = 'Escapement\Core\\' . str_replace('/', '\\', substr((string) $file, strlen($root), -4));
            if (preg_match('/^enum /m', (string) file_get_contents((string) $file)) !== 1) {
                continue;
            }
            foreach ((new \ReflectionEnum($name))->getMethods(\ReflectionMethod::IS_PUBLIC) as $method) {
                $isWords = (string) $method->getReturnType() === 'string' && $method->getNumberOfRequiredParameters() === 0
                    && ! $method->isStatic() && ! in_array($method->name, self::MAY_BE_EMPTY, true);
                if ($isWords) {
                    yield "$name::$method->name" => [$name, $method->name];
                }
            }
        }
    }
}
