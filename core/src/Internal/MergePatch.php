<?php

declare(strict_types=1);

namespace Escapement\Core\Internal;

/** JSON Merge Patch (RFC 7386) on decoded arrays, with one difference: null stays, for on a sheet null means "off". */
final class MergePatch
{
    /**
     * @param array<string, mixed> $target
     * @param array<string, mixed> $patch
     *
     * @return array<string, mixed>
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
