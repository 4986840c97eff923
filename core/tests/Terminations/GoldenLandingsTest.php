<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Terminations;

use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Terminations\ControlWire;
use Escapement\Core\Terminations\Entry;
use Escapement\Core\Terminations\Feeder;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class GoldenLandingsTest extends TestCase
{
    /** As it was last looked through; bench/variants.php --rewrite writes it. */
    #[Test]
    public function each_conductor_lands_where_it_landed(): void
    {
        $kept = json_decode((string) file_get_contents(dirname(__DIR__) . '/data/landings.json'), true, 512, JSON_THROW_ON_ERROR);
        $now = GoldenLandings::golden();
        self::assertSame(array_keys($kept), array_keys($now));
        foreach ($kept as $name => $landings) {
            self::assertSame($landings, $now[$name], $name);
        }
    }

    /** @return iterable<string, array{string, float}> trade size, hole in inches: to be confirmed on the box */
    public static function knockOuts(): iterable
    {
        foreach (explode(' ', '1/2:0.875 3/4:1.125 1:1.375 1-1/4:1.75 1-1/2:2 2:2.5 2-1/2:3 3:3.625 3-1/2:4.125 4:4.625') as $row) {
            [$size, $inches] = explode(':', $row);
            yield $size => [$size, (float) $inches];
        }
    }

    #[Test, DataProvider('knockOuts')]
    public function a_raceway_goes_through_its_hole(string $tradeSize, float $inches): void
    {
        $feeder = new Feeder('Run', 'ats', 'panel', ['L1'], 'cu', '6', '10', 1, 'emt', $tradeSize, 2.0);
        self::assertSame([$inches, $inches], array_column(Entry::of([$feeder]), 'knockOutIn'));
    }

    /** @return iterable<string, array{list<string>, ?string, int}> */
    public static function runs(): iterable
    {
        yield 'two hots and a neutral' => [['L1', 'L2'], null, 3];
        yield 'with a ground' => [['L1', 'L2'], '8', 4];
        yield 'three phases' => [['L1', 'L2', 'L3'], '8', 5];
        yield 'one hot' => [['L1'], '10', 3];
    }

    /** @param list<string> $phases */
    #[Test, DataProvider('runs')]
    public function a_raceway_holds_phases_neutral_and_ground(array $phases, ?string $egc, int $count): void
    {
        self::assertSame($count, (new Feeder('Run', 'ats', 'panel', $phases, 'cu', '6', $egc, 1, 'emt', '1', 2.0))->count());
    }

    #[Test]
    public function a_control_wire_is_known_by_its_name(): void
    {
        foreach (InstallationKind::cases() as $kind) {
            foreach (ControlWire::usual($kind) as $wire) {
                self::assertSame($wire->role, ControlWire::named($kind, $wire->function)?->role);
            }
            self::assertNull(ControlWire::named($kind, 'one of his own'));
        }
    }
}
