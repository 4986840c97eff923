<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Materials;

use Escapement\Core\Materials\MaterialLine;
use Escapement\Core\Materials\MaterialsList;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Terminations\Entry;
use Escapement\Core\Terminations\Feeder;

/** What is packed for each kind with the same runs: how much of what; and where the runs enter. */
final class GoldenMaterials
{
    /** @return array<string, list<string>> */
    public static function golden(): array
    {
        $feeders = self::feeders();
        $golden = ['entries' => array_map(static fn(Entry $one): string => implode(' ', [
            $one->enclosure, $one->connectorId, $one->tradeSize, $one->knockOutIn, $one->isBushed ? 'bushed' : '',
            $one->isSealed ? 'sealed' : '', $one->pieces,
        ]), Entry::of($feeders))];
        foreach (InstallationKind::cases() as $kind) {
            foreach (['nothing pulled' => [], 'runs' => $feeders] as $name => $of) {
                foreach ([0, 3] as $some) {
                    $sockets = $some === 0 ? [] : ['5/16', '3/8'];
                    $list = new MaterialsList($kind, $of, $some, $some, $sockets, $some > 0, $some > 0, [], null, 2 + $some);
                    $golden["$kind->value, $name, $some"] = array_map(
                        static fn(MaterialLine $line): string => "$line->key " . json_encode($line->quantity) . " $line->unit",
                        $list->lines(),
                    );
                }
            }
        }

        return $golden;
    }

    /** @return list<Feeder> */
    private static function feeders(): array
    {
        $split = ['L1', 'L2'];
        $three = ['L1', 'L2', 'L3'];

        return [
            new Feeder('Meter to switch', 'meter', 'ats', $split, 'al', '4/0', null, 1, 'pvc40', '2', 3.5),
            new Feeder('Generator to switch', 'gen', 'ats', $split, 'cu', '3', '8', 1, 'lfmc', '1-1/4', 15.0),
            new Feeder('Switch to panel', 'ats', 'panel', $split, 'al', '4/0', '4', 1, 'emt', '2', 2.0),
            new Feeder('Parallel', 'ats', 'md', $three, 'cu', '350', '1/0', 2, 'rmc', '3', 22.5),
            new Feeder('Small', 'panel', 'box', ['L1'], 'cu', '10', '10', 1, 'pvc80', '1/2', 1.25),
            new Feeder('Odd', 'inlet', 'box', $three, 'cu', '6', '10', 1, 'flexible', '3-1/2', 5.0),
        ];
    }
}
