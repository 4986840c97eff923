<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\AsBuilt;

use Escapement\Core\RelayLogic\RelayType;

/** What each lamp of a panel means, from what its circuit does on each source alone. Rule: docs/rules.md#panel-as-built. */
final readonly class LampWords
{
    /**
     * @param string $first  what people call the first source: the utility
     * @param string $second the same of the second: the generator
     *
     * @return list<string> one sentence a lamp, in the order of the circuit
     */
    public static function of(BuiltPanel $panel, string $first, string $second): array
    {
        $lamps = array_column($panel->circuit->ofType(RelayType::Lamp), 'id');
        if ($lamps === []) {
            return [];
        }
        $onFirst = $panel->alone($panel->first());
        $onSecond = $panel->alone((string) $panel->second());
        $meaning = static function (string $lamp) use ($onFirst, $onSecond, $panel, $first, $second): string {
            [$atFirst, $atSecond] = [in_array($lamp, $onFirst->lit, true), in_array($lamp, $onSecond->lit, true)];

            return match (true) {
                $atFirst && $atSecond => 'lit as long as the load has power.',
                $atFirst => $onFirst->feeds === $panel->first() ? "lit: the load is on $first." : "lit: $first is there.",
                $atSecond => $onSecond->feeds === $panel->second() ? "lit: the load is on $second." : "lit: $second is there.",
                default => 'never lit when all is well.',
            };
        };

        return array_map(static fn(string $lamp): string => "$lamp {$meaning($lamp)}", $lamps);
    }
}
