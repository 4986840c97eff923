<?php

declare(strict_types=1);

namespace Escapement\Core\Record;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Input\ObjectNode;

/** Lines of an export held against lines of its record. Rule: docs/rules.md#record. */
final readonly class RecordedLines
{
    /**
     * @param array<string, array<string, mixed>> $recorded by id
     * @param list<string>                        $keys
     *
     * @throws BadInput at the first line that is not recorded, or at the list where one is missing
     */
    public static function same(Node $claimed, array $recorded, array $keys, string $word): void
    {
        foreach ($claimed->list() as $node) {
            $line = self::plain($node->object(), $keys);
            $id = is_string($line['id']) ? $line['id'] : '';
            $known = $recorded[$id] ?? null;
            if ($known === null || self::text($known) !== self::text($line)) {
                throw $node->bad("The record has no such $word.");
            }
            unset($recorded[$id]);
        }
        if ($recorded !== []) {
            throw $claimed->bad("The record has one $word more than these.");
        }
    }

    /**
     * @param list<string> $keys
     *
     * @return array<string, array<string, mixed>> by its id
     *
     * @throws BadInput
     */
    public static function line(ObjectNode $what, array $keys, ?string $who): array
    {
        return [$what->required('id')->text(40) => self::plain($what, $keys) + ($who === null ? [] : ['who' => $who])];
    }

    /**
     * @param list<string> $keys
     *
     * @return array<string, mixed> each of them, null where it is not there
     */
    public static function plain(ObjectNode $object, array $keys): array
    {
        $plain = [];
        foreach ($keys as $key) {
            $plain[$key] = $object->nullable($key)?->value;
        }

        return $plain;
    }

    /** Equal values read equal, whatever the order of their keys; 60 is 60.0, and nothing in a list is nothing in an object. */
    public static function text(mixed $value): string
    {
        $sorted = static function (mixed $one) use (&$sorted): mixed {
            $one = $one instanceof \stdClass ? get_object_vars($one) : $one;
            if (is_array($one)) {
                if (! array_is_list($one)) {
                    ksort($one, SORT_STRING);
                }

                return array_map($sorted, $one);
            }

            return is_int($one) ? (float) $one : $one;
        };

        return json_encode($sorted($value), JSON_THROW_ON_ERROR);
    }
}
