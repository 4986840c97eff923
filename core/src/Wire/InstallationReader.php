<?php

declare(strict_types=1);

namespace Escapement\Core\Wire;

use Escapement\Core\Commissioning\Procedure\InstallationSteps;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\Terminations\EnclosureCheck;
use Escapement\Core\Topology\BondingCheck;
use Escapement\Core\Topology\BondMove;
use Escapement\Core\Topology\ElementNames;
use Escapement\Core\Wire\Topology\BondingReader;
use Escapement\Core\Wiring\Colours\ColourSystem;
use Escapement\Core\Wiring\Dates;

/**
 * `install` of `calc procedure`: {"torque_unit"?, "work_date", "calibrated_on"?, "bonding"? or "actions"?, "bonds_unknown"?,
 * "feeders"?, "enclosures"?}. A line of an enclosure is what `colours` and `torque` take of it, together; `bonding` is the input
 * of that calculation, `actions` what it proposes; `bonds_unknown` says what of the bonds nobody has looked at; `stops` are
 * findings on a feeder or an enclosure that were made elsewhere, in words.
 */
final readonly class InstallationReader
{
    private const MOST_LINES = 60;
    /** What the checks call otherwise than a line does. */
    private const OF_A_LINE = ['terminal' => 'on', 'conductor_size' => 'size'];

    /**
     * @param array<string, string> $names of elements
     *
     * @throws BadInput
     */
    public function work(Node $node, array $names): InstallationSteps
    {
        $in = new Fields($node);
        /** @var 'in_lb'|'ft_lb'|'nm' $unit */
        $unit = $in->oneOf('torque_unit', array_keys(InstallationSteps::UNITS), 'in_lb');
        $workDate = Dates::read($in, 'work_date');
        $calibrated = $in->has('calibrated_on') ? Dates::read($in, 'calibrated_on') : null;
        $bonding = $in->has('bonding')
            ? BondingCheck::of((new BondingReader())->model($in->at('bonding')))->answer()->values
            : ['actions' => []];
        $in->maybeObject('bonding');
        $actions = $in->maybeList('actions', 0, 60);
        $unknown = $in->maybeText('bonds_unknown', 600);
        $feeders = $in->each('feeders', 0, 100, static fn(Fields $one): array => [
            'name' => $one->text('name', 120),
            'words' => $one->text('words', 400),
            'asked' => $one->maybeText('asked', 800),
            'stops' => self::stops($one),
        ], id: 'name');
        $enclosures = $in->each('enclosures', 0, 20, fn(Fields $one): array => $this->enclosure($one, $workDate));
        $in->close();

        $moves = BondMove::of(
            $actions === null ? $bonding : ['actions' => array_map(self::action(...), $actions)],
            new ElementNames($names),
        );

        return new InstallationSteps($unit, $workDate, $calibrated, $feeders, $enclosures, $moves, $names, $unknown);
    }

    /** @return array{action: string, at: string, to?: string} */
    private static function action(Node $node): array
    {
        $in = new Fields($node);
        $action = ['action' => $in->oneOf('action', BondMove::ACTIONS), 'at' => $in->text('at', 64)];
        $to = $in->maybeText('to', 64);
        $in->close();

        return $action + ($to === null ? [] : ['to' => $to]);
    }

    /** @return array{id: string, name: string, lines: list<array<string, mixed>>, check: EnclosureCheck, stops: list<string>} */
    private function enclosure(Fields $in, string $workDate): array
    {
        $id = $in->text('id', 40);
        $name = $in->text('name', 120);
        $system = $in->oneOf('colour_system', ColourSystem::NAMES);
        $isBondingPoint = $in->bool('bonding_point', false);
        $lines = array_map(self::line(...), $in->list('lines', 1, self::MOST_LINES));
        $stops = self::stops($in);
        try {
            $check = new EnclosureCheck($system, $lines, $isBondingPoint, $workDate);
        } catch (BadInput $e) { // /landings/3/terminal, /points/3/conductor_size
            [, , $line, $key] = explode('/', $e->path);
            throw $in->at('lines')->at((int) $line, null)->at(self::OF_A_LINE[$key] ?? $key, null)->bad($e->getMessage());
        }

        return ['id' => $id, 'name' => $name, 'lines' => $lines, 'check' => $check, 'stops' => $stops];
    }

    /** @return array<string, mixed> */
    private static function line(Node $node): array
    {
        $in = new Fields($node);
        $line = [
            'conductor' => $in->text('conductor', 10),
            'terminal' => $in->text('terminal', 60),
            'on' => $in->text('on', 10),
            'feeder' => $in->text('feeder', 120),
            'size' => $in->text('size', 10),
            'colour' => $in->text('colour', 20),
            'screw' => $in->text('screw', 20),
        ];
        $reid = $in->maybeText('reid', 20);
        $socket = $in->maybeText('socket_in', 10);
        $maker = $in->maybeObject('maker');
        if ($maker !== null) {
            $line['maker'] = [
                'value' => $maker->number('value', 0.001, 20_000),
                'unit' => $maker->oneOf('unit', array_keys(InstallationSteps::UNITS)),
            ];
            $maker->close();
        }
        $in->close();

        return $line + ($reid === null ? [] : ['reid' => $reid]) + ($socket === null ? [] : ['socket_in' => $socket]);
    }

    /** @return list<string> */
    private static function stops(Fields $in): array
    {
        return array_map(static fn(Node $one): string => $one->text(600), $in->maybeList('stops', 0, 20) ?? []);
    }
}
