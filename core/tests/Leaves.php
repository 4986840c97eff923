<?php

declare(strict_types=1);

namespace Escapement\Core\Tests;

/** Every single value of a document, and the document with one of them another. */
final class Leaves
{
    /**
     * @param list<int|string> $to
     *
     * @return list<list<int|string>> the way to every single value
     */
    public static function of(mixed $value, array $to = []): array
    {
        return is_array($value) ? array_merge(
            ...array_map(static fn(int|string $key): array => self::of($value[$key], [...$to, $key]), array_keys($value)),
            ...[[]],
        ) : [$to];
    }

    /**
     * @param array<string, mixed> $document
     * @param list<int|string>     $path
     *
     * @return array<string, mixed>
     */
    public static function changed(array $document, array $path): array
    {
        $place = &$document;
        foreach ($path as $key) {
            $place = &$place[$key];
        }
        $place = match (true) {
            is_bool($place) => ! $place,
            is_int($place), is_float($place) => $place + 1,
            is_string($place) => $place . 'x',
            default => 'x',
        };

        return $document;
    }
}
