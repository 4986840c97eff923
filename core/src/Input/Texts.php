<?php

declare(strict_types=1);

namespace Escapement\Core\Input;

/** A map of texts by key. */
final readonly class Texts
{
    /**
     * @return array<string, string> empty where there is none
     *
     * @throws BadInput
     */
    public static function map(?Node $node, int $mostCharacters): array
    {
        if ($node === null) {
            return [];
        }
        $node->object();
        $texts = [];
        foreach (get_object_vars((object) $node->value) as $key => $value) {
            $texts[(string) $key] = $node->at((string) $key, $value)->text($mostCharacters);
        }

        return $texts;
    }
}
