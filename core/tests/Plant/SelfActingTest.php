<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Plant;

use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\SelfActing;
use Escapement\Core\Plant\Upstream;
use Escapement\Core\Survey\Decision;
use Escapement\Core\Survey\Subject;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class SelfActingTest extends TestCase
{
    #[Test]
    public function two_supplies_are_never_said_to_have_an_engine_and_a_generator_always_is_kept_away(): void
    {
        foreach (InstallationKind::cases() as $kind) {
            $acts = new SelfActing($kind);
            $all = implode(' ', [
                $acts->title(), $acts->danger(), $acts->before(), $acts->keptAway(), $acts->feeds('the panel'), $acts->madeSafe(),
                $acts->openedUpstream(), ...$acts->sides(),
            ]);
            self::assertSame($kind->hasGenerator(), preg_match('/engine|generator|battery/i', $all) === 1, $kind->value);
            self::assertStringContainsString('both sources isolated, locked out and proved dead', $acts->before());
            self::assertStringContainsString('the panel', $acts->feeds('the panel'));
        }
        foreach (InstallationKind::cases() as $kind) {
            $acts = new SelfActing($kind);
            self::assertSame($kind->isMobile(), str_contains($acts->madeSafe() . $acts->openedUpstream() . $acts->before(), 'shore cord'));
            self::assertSame($kind->isMobile(), ! str_contains($acts->openedUpstream(), 'upstream') && ! str_contains(
                $acts->openedUpstream(),
                'utility',
            ));
        }
        self::assertStringContainsString('other supply', (new SelfActing(InstallationKind::ContactorPair))->feeds('it'));
    }

    /** @param array{string, string, string, string, string, string, list<string>} $says */
    #[Test, DataProvider('kinds')]
    public function each_kind_of_installation_is_said_to_act_as_it_does(InstallationKind $kind, array $says): void
    {
        $acts = new SelfActing($kind);
        [$title, $danger, $before, $kept, $feeds, $safe, $sides] = $says;
        self::assertSame($title, $acts->title());
        self::assertStringContainsString($danger, $acts->danger());
        self::assertSame(
            "Before any work inside: selector off$before, both sources isolated, locked out and proved dead.",
            $acts->before(),
        );
        self::assertSame($kept, $acts->keptAway());
        self::assertSame("$feeds feed the panel.", $acts->feeds('the panel'));
        self::assertStringStartsWith($safe, $acts->madeSafe());
        self::assertSame($sides, $acts->sides());
    }

    /** @return iterable<string, array{InstallationKind, array{string, string, string, string, string, string, list<string>}}> */
    public static function kinds(): iterable
    {
        $kept = 'the generator is kept from starting as its maker says';
        $battery = ', start battery disconnected';
        $blocked = 'Engine blocked from starting, locked, tagged';
        $byItself = [
            'Automatic start.', 'starts without warning, by the clock and at any outage', $battery, $kept,
            'The generator can start by itself within seconds and', $blocked, ['utility', 'generator'],
        ];
        $cord = ', shore cord out, batteries and inverter off';
        foreach (InstallationKind::cases() as $kind) {
            yield $kind->value => [$kind, match ($kind) {
                InstallationKind::ContactorPair => [
                    'Automatic transfer.', 'what one of them left dark is live from the other', '',
                    'the second supply is opened, locked and tagged as the first is',
                    'The changeover can go to the other supply by itself within seconds and', 'Both supplies opened, locked and tagged',
                    ['first supply', 'second supply'],
                ],
                InstallationKind::PlugInBox => [
                    'An engine that others can start.', 'by somebody else or by a starter of its own', $battery, $kept,
                    'The generator can be started at any moment and', $blocked, ['utility', 'generator'],
                ],
                InstallationKind::Mobile30, InstallationKind::Mobile50 => [
                    'An engine that others can start.', 'by somebody else or by a starter of its own', $battery . $cord, $kept,
                    'The generator can be started at any moment and', 'Shore cord out, engine blocked from starting',
                    ['shore', 'generator'],
                ],
                default => $byItself,
            }];
        }
    }

    #[Test]
    public function what_is_chosen_by_its_name_has_one(): void
    {
        foreach ([
            array_map(static fn(InstallationKind $one): string => $one->label(), InstallationKind::cases()),
            array_map(static fn(InstallationKind $one): string => $one->short(), InstallationKind::cases()),
            array_map(static fn(InstallationKind $one): string => $one->sentence(), InstallationKind::cases()),
            array_map(static fn(Decision $one): string => $one->label(), Decision::cases()),
            array_map(static fn(Subject $one): string => $one->label(), Subject::cases()),
        ] as $names) {
            self::assertNotContains('', $names);
            self::assertSame(array_unique($names), $names);
        }
        self::assertSame(
            ['The utility', 'A qualified person on site', 'A qualified person on site', 'The owner of the upstream supply'],
            array_map(static fn(Upstream $one): string => $one->who(), [
                Upstream::Utility, Upstream::Disconnect, Upstream::Combined, Upstream::Owner,
            ]),
        );
    }
}
