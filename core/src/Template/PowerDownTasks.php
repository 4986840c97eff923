<?php

declare(strict_types=1);

namespace Escapement\Core\Template;

/**
 * The usual tasks of the day a switch goes in, in the form `power_down` takes. Minutes are planning figures, for the
 * technician to put right. Rule: field notes P6, P7, P12: what needs no dead supply is done before.
 */
final readonly class PowerDownTasks
{
    private const MIN_A_RUN = 20;
    private const MIN_A_BOND = 10;
    private const MIN_A_GROUND = 2;

    /**
     * @param int          $runs   feeders to pull
     * @param list<string> $bonds  what moves at which bond, in words
     * @param int          $grounds conductors that change bars
     *
     * @return array{open: array<string, mixed>, close: array<string, mixed>, tasks: list<array{id: string, name: string, who: list<string>, minutes: int, after: list<string>, dark: bool}>}
     */
    public static function usual(int $runs, array $bonds, int $grounds): array
    {
        $both = 'Electrician and Helper';
        $tasks = [];
        $add = static function (string $name, string $who, int $minutes, bool $dark, string ...$after) use (&$tasks): string {
            $id = (string) (count($tasks) + 1);
            $tasks[] = ['id' => $id, 'name' => $name, 'who' => explode(' and ', $who), 'minutes' => $minutes, 'after' => array_values($after), 'dark' => $dark];

            return $id;
        };
        $mount = $add('Mount the switch and its raceways', $both, 60, false);
        $pull = $add("Pull $runs feeders and the control cable, capped", $both, self::MIN_A_RUN * max(1, $runs), false, $mount);
        $mark = $add('Photograph as found; mark what moves', 'Helper', 10, false);
        $lay = $add('Lay out lugs, torque tool, labels and list', 'Helper', 10, false, $pull);
        $line = $add('Land the utility side in the switch', 'Electrician', 15, true, $pull, $lay);
        $load = $add('Land the feeder to the panel', 'Electrician', 15, true, $pull, $lay);
        $done = [$line, $load];
        foreach ($bonds as $bond) {
            $done[] = $add($bond, 'Electrician', self::MIN_A_BOND, true, $mark);
        }
        if ($grounds > 0) {
            $done[] = $add("Move $grounds grounds to their own bar", 'Helper', self::MIN_A_GROUND * $grounds, true, $mark);
        }
        $torque = $add('Torque and mark each landing from the list', $both, 10, true, ...$done);
        $check = $add('Ohmmeter: one path from neutral to ground', 'Electrician', 5, true, $torque);
        $sense = $add('Read the voltages on the controller', 'Electrician', 10, false, $check);
        $prove = $add('Prove the transfer with the stopwatch', $both, 30, false, $sense);
        $add('Walk through it with the owner', 'Electrician', 20, false, $prove);

        return ['open' => ['who' => ['Electrician'], 'minutes' => 10], 'close' => ['who' => ['Electrician'], 'minutes' => 5], 'tasks' => $tasks];
    }
}
