<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Planning;

use Escapement\Core\Input\Node;
use Escapement\Core\Planning\PowerDownTasks;
use Escapement\Core\Planning\PowerDownWork;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\Upstream;
use Escapement\Core\PowerDown\PowerDown;
use Escapement\Core\Wire\PowerDownReader;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class PowerDownTasksTest extends TestCase
{
    #[Test, DataProvider('kinds')]
    public function what_touches_a_conductor_is_dark_behind_the_isolation_and_all_else_stays_outside(InstallationKind $kind): void
    {
        $work = new PowerDownWork($kind, 4, ['Remove the bonding jumper in the panel'], 12, 3, Upstream::Utility);
        $answer = (new PowerDown())->answer((new PowerDownReader())->input(Node::fromArray(PowerDownTasks::usual($work))))->values;
        $isolation = null; // the last of its tasks: proved dead
        foreach (is_array($answer['tasks']) ? $answer['tasks'] : [] as $task) {
            $touches = preg_match('/^(Open|Clear|Isolate|Land|Remove the bonding|Move|Torque|Measure|Inspection)/', $task['name']) === 1;
            self::assertSame($touches, $task['phase'] === 'dark', $task['name']);
            if (str_starts_with($task['name'], 'Isolate')) {
                $isolation = $task;
            } elseif ($isolation !== null && $task['phase'] === 'dark' && ! str_starts_with($task['name'], 'Open')) {
                self::assertGreaterThanOrEqual($isolation['finish_min'], $task['start_min'], "{$task['name']} before it is proved dead");
            }
        }
        self::assertNotNull($isolation);
        self::assertStringContainsString('prove', $isolation['name']);
        self::assertTrue($answer['shortest']);
    }

    /** @return iterable<string, array{InstallationKind}> */
    public static function kinds(): iterable
    {
        foreach (InstallationKind::cases() as $kind) {
            yield $kind->value => [$kind];
        }
    }

    #[Test, DataProvider('counts')]
    public function one_feeder_is_one_also_while_nothing_is_counted(int $feeders, string $name): void
    {
        $tasks = PowerDownTasks::usual(new PowerDownWork(InstallationKind::WholeHouse, $feeders))['tasks'];
        self::assertContains($name, array_column($tasks, 'name'));
    }

    /** @return iterable<array{int, string}> */
    public static function counts(): iterable
    {
        yield [0, 'Pull 1 feeder and the control cable, capped'];
        yield [1, 'Pull 1 feeder and the control cable, capped'];
        yield [2, 'Pull 2 feeders and the control cable, capped'];
    }

    /** @param list<string> $who */
    #[Test, DataProvider('openers')]
    public function the_one_who_can_opens_the_supply(
        InstallationKind $kind,
        ?Upstream $upstream,
        array $who,
        bool $isKnown,
        ?Upstream $second = null,
    ): void {
        $work = new PowerDownWork($kind, upstream: $upstream, upstreamSecond: $second);
        self::assertSame($who, PowerDownTasks::usual($work)['open']['who']);
        self::assertSame($isKnown, PowerDownTasks::isOpenerKnown($work));
    }

    /** @return iterable<string, array{0: InstallationKind, 1: ?Upstream, 2: list<string>, 3: bool, 4?: Upstream}> */
    public static function openers(): iterable
    {
        $house = InstallationKind::WholeHouse;
        yield 'the utility' => [$house, Upstream::Utility, ['Utility'], true];
        yield 'a disconnect on site' => [$house, Upstream::Disconnect, ['Electrician'], true];
        yield 'the main beside the meter' => [$house, Upstream::Combined, ['Electrician'], true];
        yield 'another owner' => [$house, Upstream::Owner, ['Owner of the upstream supply'], true];
        yield 'nobody knows' => [$house, null, ['Not known: who opens the supply'], false];
        $pair = InstallationKind::ContactorPair;
        yield 'of two supplies one is not known' => [$pair, Upstream::Utility, ['Utility', 'Not known: who opens the supply'], false];
        yield 'two supplies of the utility' => [$pair, Upstream::Utility, ['Utility'], true, Upstream::Utility];
        yield 'one of the utility, one of ours' => [$pair, Upstream::Utility, ['Utility', 'Electrician'], true, Upstream::Disconnect];
        yield 'a vehicle is unplugged' => [InstallationKind::Mobile50, null, ['Electrician'], true];
    }

    #[Test, DataProvider('kinds')]
    public function a_generator_is_blocked_before_the_supply_opens(InstallationKind $kind): void
    {
        $work = new PowerDownWork($kind, 1, upstream: Upstream::Utility);
        $answer = (new PowerDown())->answer((new PowerDownReader())->input(Node::fromArray(PowerDownTasks::usual($work))))->values;
        $tasks = array_column(is_array($answer['tasks']) ? $answer['tasks'] : [], null, 'name');
        $block = $tasks['Block the generator from starting, as its maker says'] ?? null;
        self::assertSame($kind->hasGenerator() && ! $kind->isMobile(), $block !== null);
        if ($block !== null) {
            self::assertSame('before', $block['phase']);
            self::assertLessThanOrEqual(0, $block['finish_min']);
        }
    }

    #[Test]
    public function of_two_supplies_each_is_open_before_a_line_side_counts_as_dead(): void
    {
        $work = new PowerDownWork(InstallationKind::ContactorPair, upstream: Upstream::Utility, upstreamSecond: Upstream::Owner);
        $tasks = array_column(PowerDownTasks::usual($work)['tasks'], null, 'name');
        $after = $tasks['Isolate: each line side proved dead']['after'];
        self::assertContains($tasks['Isolate: first supply tagged open upstream']['id'], $after);
        self::assertContains($tasks['Isolate: second supply tagged open upstream']['id'], $after);
        self::assertSame([], preg_grep('/generator/', array_keys($tasks)));
    }

    #[Test]
    public function a_release_is_part_of_the_window_unless_nobody_asks_for_one(): void
    {
        $names = static fn(?bool $isInspected): array => array_column(
            PowerDownTasks::usual(new PowerDownWork(InstallationKind::WholeHouse, isInspected: $isInspected))['tasks'],
            'name',
        );
        $release = 'Inspection, and its release before the supply closes';
        self::assertContains($release, $names(true));
        self::assertContains($release, $names(null), 'not known is asked for');
        self::assertNotContains($release, $names(false));
    }

    #[Test]
    public function a_plug_in_box_is_a_short_job_of_its_own(): void
    {
        $tasks = PowerDownTasks::usual(new PowerDownWork(InstallationKind::PlugInBox, 1, [], 0, 2, Upstream::Utility, false))['tasks'];
        self::assertSame(
            [],
            array_filter(
                array_column($tasks, 'name'),
                static fn(string $name): bool => preg_match('/electrode|utility side|control cable|bar$/', $name) === 1,
            ),
        );
        self::assertLessThanOrEqual(
            60,
            $this->window(new PowerDownWork(InstallationKind::PlugInBox, 1, [], 0, 2, Upstream::Utility, false)),
        );
    }

    #[Test]
    public function more_bonds_and_grounds_make_the_dark_longer_and_more_feeders_do_not(): void
    {
        $house = InstallationKind::WholeHouse;
        $window = fn(int $feeders, int $bonds, int $grounds): int => $this->window(new PowerDownWork(
            $house,
            $feeders,
            array_fill(0, $bonds, 'Move a bond'),
            $grounds,
            0,
            Upstream::Utility,
        ));
        self::assertSame($window(1, 1, 0), $window(9, 1, 0));
        self::assertGreaterThan($window(1, 1, 0), $window(1, 2, 0));
        self::assertGreaterThan($window(1, 1, 0), $window(1, 1, 40));
    }

    private function window(PowerDownWork $work): int
    {
        $input = (new PowerDownReader())->input(Node::fromArray(PowerDownTasks::usual($work)));
        $minutes = (new PowerDown())->answer($input)->values['window_min'];

        return is_int($minutes) ? $minutes : -1;
    }
}
