<?php

declare(strict_types=1);

namespace Escapement\Core\Tests;

use Escapement\Core\Input\Node;
use Escapement\Core\Wire\Calculations;

/** A calculation asked on the limit of one of its rules. */
trait HoldsRules
{
    /**
     * @param array<string, mixed> $input
     * @param list<string>         $tells  findings that are there
     * @param list<string>         $silent findings that are not
     * @param array<string, mixed> $values some of the answer, by path with dots
     */
    private static function assertRule(string $calc, array $input, array $tells, array $silent, array $values): void
    {
        $answer = json_decode((string) json_encode((new Calculations())->calc($calc, Node::fromArray($input))), true);
        $ids = array_column($answer['findings'], 'id');
        self::assertSame([], array_values(array_diff($tells, $ids)), 'told: ' . implode(', ', $ids));
        self::assertSame([], array_values(array_intersect($silent, $ids)), 'told: ' . implode(', ', $ids));
        foreach ($values as $path => $value) {
            $found = array_reduce(
                explode('.', $path),
                static fn(mixed $at, string $key): mixed => is_array($at) ? ($at[$key] ?? null) : null,
                $answer,
            );
            is_float($value) ? self::assertEqualsWithDelta(
                $value,
                $found,
                1e-9 * max(1, abs($value)),
                $path,
            ) : self::assertEquals($value, $found, $path);
        }
    }
}
