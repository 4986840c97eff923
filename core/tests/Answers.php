<?php

declare(strict_types=1);

namespace Escapement\Core\Tests;

use Escapement\Core\Input\Node;
use Escapement\Core\Wire\Calculations;

/** Asks a calculation as the command line does, and finds one figure of its answer. */
trait Answers
{
    /**
     * @param array<string, mixed> $input
     *
     * @return array<string, mixed>
     */
    private static function answer(string $calc, array $input): array
    {
        return (new Calculations())->calc($calc, Node::fromArray($input));
    }

    /**
     * @param array<string, mixed> $input
     *
     * @return float|int|string|bool|null what stands at a JSON Pointer
     */
    private static function figure(string $calc, array $input, string $pointer): mixed
    {
        $value = self::answer($calc, $input);
        foreach (explode('/', substr($pointer, 1)) as $step) {
            self::assertIsArray($value);
            self::assertArrayHasKey($step, $value, "$calc answers nothing at $pointer");
            $value = $value[$step];
        }

        return $value;
    }

    /**
     * @param array<string, mixed> $input
     *
     * @return list<string> ids of what was found
     */
    private static function found(string $calc, array $input): array
    {
        return array_column((array) self::answer($calc, $input)['findings'], 'id');
    }
}
