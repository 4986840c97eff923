<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Template;

use Escapement\Core\PowerDown\PowerDown;
use Escapement\Core\Template\PowerDownTasks;
use Escapement\Core\Wire\Node;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class PowerDownTasksTest extends TestCase
{
    #[Test]
    public function whatever_touches_a_conductor_is_dark_and_all_else_stays_outside(): void
    {
        $answer = (new PowerDown())->answer(Node::fromArray(PowerDownTasks::usual(4, ['Take the bond out of Generator'], 12)))->values;
        foreach (is_array($answer['tasks']) ? $answer['tasks'] : [] as $task) {
            $touches = preg_match('/^(Open|Clear|Land|Take the bond|Move \d+ grounds|Torque|Ohmmeter)/', $task['name']) === 1;
            self::assertSame($touches, $task['phase'] === 'dark', $task['name']);
        }
        self::assertTrue($answer['shortest']);
    }

    #[Test]
    public function more_bonds_and_grounds_make_the_dark_longer_and_more_feeders_do_not(): void
    {
        $window = static fn(int $runs, int $bonds, int $grounds): mixed => (new PowerDown())->answer(Node::fromArray(PowerDownTasks::usual($runs, array_fill(0, $bonds, 'Move a bond'), $grounds)))->values['window_min'];
        self::assertSame($window(1, 1, 0), $window(9, 1, 0));
        self::assertGreaterThan($window(1, 1, 0), $window(1, 2, 0));
        self::assertGreaterThan($window(1, 1, 0), $window(1, 1, 40));
    }
}
