<?php

declare(strict_types=1);

namespace Escapement\Core\Wire;

use Escapement\Core\Commissioning\PanelSheet;
use Escapement\Core\Commissioning\Procedure\PanelWork;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\Plant\Plant;
use Escapement\Core\RelayLogic\AsBuilt\BuiltPanel;
use Escapement\Core\RelayLogic\Terminals\TerminalList;
use Escapement\Core\Settings\Settings;
use Escapement\Core\Wire\Panel\RelayPlayReader;
use Escapement\Core\Wire\Panel\TerminalListReader;

/**
 * `panel` of `calc procedure`: {"circuit", "supplies"?, "times"?, "region", "stops"?}. Circuit, supplies and times are those of
 * `relay_play`, the region that of `terminal_list`; `stops` says in words what stands against the proof of the circuit.
 */
final readonly class PanelWorkReader
{
    private const MOST_STOPS = 100;
    private const ONE_MS = 1;

    /** @throws BadInput */
    public function work(Node $node, Plant $plant, Settings $settings): PanelWork
    {
        $in = new Fields($node);
        $in->only(['circuit', 'supplies', 'times', 'region', 'stops']);
        $part = self::part($in, ['circuit', 'supplies', 'times'], ['until_ms' => self::ONE_MS]);
        $built = BuiltPanel::of((new RelayPlayReader())->input($part));
        if (! $built->canBePlayed()) {
            throw $in->at('circuit')->bad('The first source of a changeover has no engine, and there is a second one.');
        }
        $list = (new TerminalList())->of((new TerminalListReader())->input(self::part($in, ['circuit', 'region'], [])));
        $stops = array_map(static fn(Node $one): string => $one->text(600), $in->maybeList('stops', 0, self::MOST_STOPS) ?? []);

        return new PanelWork($built, $list->continuity, $stops, (new PanelSheet($plant, $settings, $built))->differences());
    }

    /**
     * @param list<string>         $keys of the input
     * @param array<string, mixed> $more
     */
    private static function part(Fields $in, array $keys, array $more): Node
    {
        $kept = array_intersect_key(get_object_vars((object) $in->node->value), array_flip($keys));

        return new Node((object) ($kept + $more), $in->node->path);
    }
}
