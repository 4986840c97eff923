<?php

declare(strict_types=1);

namespace Escapement\Core\Wire;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\WorkingLine;

/** Writes what a calculation answers: each public property under its name in snake case, in the order of its class. */
final class ResultWriter
{
    /** @var array<string, string> */
    private static array $keys = [];

    /** @return array<string, mixed> */
    public static function write(object $result): array
    {
        $values = [];
        foreach (get_object_vars($result) as $name => $value) {
            $values[self::key($name)] = self::value($value);
        }

        return $values;
    }

    private static function value(mixed $value): mixed
    {
        return match (true) {
            is_array($value) => array_map(self::value(...), $value),
            $value instanceof \BackedEnum => $value->value,
            $value instanceof Finding, $value instanceof WorkingLine => $value->toArray(),
            $value instanceof \stdClass => $value,
            is_object($value) => self::write($value),
            default => $value,
        };
    }

    private static function key(string $property): string
    {
        return self::$keys[$property] ??= strtolower(
            (string) preg_replace('/(?<=[a-z0-9])[A-Z]|(?<=[A-Z])[A-Z](?=[a-z])/', '_$0', $property),
        );
    }
}
