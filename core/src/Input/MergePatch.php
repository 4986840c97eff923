<?php

declare(strict_types=1);

namespace Escapement\Core\Input;

/** JSON Merge Patch (RFC 7386) on decoded arrays, with one difference: null stays, for on a sheet null means "off". */
final class MergePatch
{
    /**
     * @template K of array-key
     *
     * @param array<K, mixed> $target
     * @param array<K, mixed> $patch
     *
     * @return array<K, mixed>
     */
    public static function apply(array $target, array $patch): array
    {
        foreach ($patch as $key => $value) {
            $target[$key] = is_array($value) && ! array_is_list($value)
                ? self::apply(is_array($target[$key] ?? null) ? $target[$key] : [], $value)
                : $value;
        }

        return $target;
    }
}
