<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Plant;

use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\SelfActing;
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
}
