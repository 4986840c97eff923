<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Wiring;

use Escapement\Core\Wiring\Ampacity;
use Escapement\Core\Wiring\Derating;
use Escapement\Core\Wiring\EgcTable;
use Escapement\Core\Wiring\Raceways;
use Escapement\Core\Wiring\Resistance;
use Escapement\Core\Wiring\StandardSizes;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/**
 * The tables typed a second time, in another order, by hand: a slip in one of the two is found by the other. Facts to be confirmed against
 * the edition in force.
 */
final class TablesTest extends TestCase
{
    private const SIZES = '14 12 10 8 6 4 3 2 1 1/0 2/0 3/0 4/0 250 300 350 400 500 600 700 750';

    /** @return iterable<string, array{string, int, string}> material, column, amperes of 14 AWG up to 750 kcmil */
    public static function ampacities(): iterable
    {
        yield 'copper at 60' => ['cu', 60, '15 20 30 40 55 70 85 95 110 125 145 165 195 215 240 260 280 320 350 385 400'];
        yield 'copper at 75' => ['cu', 75, '20 25 35 50 65 85 100 115 130 150 175 200 230 255 285 310 335 380 420 460 475'];
        yield 'copper at 90' => ['cu', 90, '25 30 40 55 75 95 115 130 145 170 195 225 260 290 320 350 380 430 475 520 535'];
        yield 'aluminum at 60' => ['al', 60, '0 15 25 35 40 55 65 75 85 100 115 130 150 170 195 210 225 260 285 315 320'];
        yield 'aluminum at 75' => ['al', 75, '0 20 30 40 50 65 75 90 100 120 135 155 180 205 230 250 270 310 340 375 385'];
        yield 'aluminum at 90' => ['al', 90, '0 25 35 45 55 75 85 100 115 135 150 175 205 230 260 280 305 350 385 425 435'];
    }

    #[Test, DataProvider('ampacities')]
    public function what_a_conductor_carries(string $material, int $celsius, string $amps): void
    {
        self::assertSame(
            array_map(intval(...), explode(' ', $amps)),
            array_map(static fn(string $size): int => Ampacity::amps($material, $size, $celsius), explode(' ', self::SIZES)),
        );
    }

    #[Test]
    public function what_protects_a_small_conductor(): void
    {
        $cap = static fn(string $of): ?int => Ampacity::smallCap(...explode(' ', $of));
        self::assertSame([15, 20, 30, null, null, 15, 25, null], array_map($cap, [
            'cu 14', 'cu 12', 'cu 10', 'cu 8', 'al 14', 'al 12', 'al 10', 'al 8',
        ]));
    }

    #[Test]
    public function the_ratings_that_are_made(): void
    {
        $made = '15 20 25 30 35 40 45 50 60 70 80 90 100 110 125 150 175 200 225 250 300 350 400 450 500 600 700 800 1000 1200 1600 2000';
        $below = array_filter(StandardSizes::AMPS, static fn(int $one): bool => $one <= 2000);
        self::assertSame(array_map(intval(...), explode(' ', $made)), array_values($below));
        foreach ([1 => 15.0, 15 => 15.0, 16 => 20.0, 401 => 450.0] as $amps => $rating) {
            self::assertSame($rating, Ampacity::roundUp((float) $amps));
        }
        self::assertSame(800.0, Ampacity::roundUp(700.5));
        self::assertSame(801.0, Ampacity::roundUp(801.0), 'above 800 A nothing is rounded up');
        self::assertSame(0.0, Ampacity::roundUp(0.0));
    }

    /** @return iterable<string, array{int, string}> insulation, factors from up to 10 °C in steps of five */
    public static function heat(): iterable
    {
        yield '60' => [60, '1.29 1.22 1.15 1.08 1.00 0.91 0.82 0.71 0.58 0.41 0 0'];
        yield '75' => [75, '1.20 1.15 1.11 1.05 1.00 0.94 0.88 0.82 0.75 0.67 0.58 0.47 0.33 0'];
        yield '90' => [90, '1.15 1.12 1.08 1.04 1.00 0.96 0.91 0.87 0.82 0.76 0.71 0.65 0.58 0.50 0.41 0.29 0'];
    }

    #[Test, DataProvider('heat')]
    public function heat_takes_a_share(int $insulation, string $factors): void
    {
        foreach (explode(' ', $factors) as $step => $factor) {
            $most = 10 + 5 * $step;
            self::assertEqualsWithDelta((float) $factor, Derating::ambient($insulation, $most, false), 1e-9, "$most °C");
            self::assertEqualsWithDelta((float) $factor, Derating::ambient($insulation, $most - 4.9, false), 1e-9, 'above the row before');
        }
        self::assertEqualsWithDelta(1.0, Derating::ambient($insulation, 30, true), 1e-9);
        self::assertSame(0.0, Derating::ambient($insulation, $insulation, true));
    }

    #[Test]
    public function company_takes_a_share(): void
    {
        $steps = [
            1 => 1.0, 3 => 1.0, 4 => 0.8, 6 => 0.8, 7 => 0.7, 9 => 0.7, 10 => 0.5, 20 => 0.5, 21 => 0.45, 30 => 0.45, 31 => 0.4, 40 => 0.4,
            41 => 0.35,
        ];
        foreach ($steps as $count => $factor) {
            self::assertEqualsWithDelta($factor, Derating::adjustment($count), 1e-9, "$count conductors");
        }
    }

    /** @return iterable<string, array{int, string, string}> */
    public static function grounds(): iterable
    {
        $rows = '15:14:12 20:12:10 60:10:8 100:8:6 200:6:4 300:4:2 400:3:1 500:2:1/0 600:1:2/0 800:1/0:3/0 1000:2/0:4/0 1200:3/0:250 '
            . '1600:4/0:350 2000:250:400 2500:350:600 3000:400:600 4000:500:750';
        foreach (explode(' ', $rows) as $row) {
            [$amps, $copper, $aluminum] = explode(':', $row);
            yield "$amps A" => [(int) $amps, $copper, $aluminum];
        }
    }

    #[Test, DataProvider('grounds')]
    public function an_equipment_ground_goes_by_its_device(int $amps, string $copper, string $aluminum): void
    {
        self::assertSame([$copper, $aluminum], [EgcTable::egc($amps, 'cu'), EgcTable::egc($amps, 'al')]);
        self::assertNotSame($copper, $amps === 4000 ? '' : EgcTable::egc($amps + 1, 'cu'), 'one ampere more is the next row');
    }

    #[Test]
    public function an_electrode_conductor_goes_by_those_it_serves(): void
    {
        foreach (['66.36 8 6', '105.6 6 4', '167.8 4 2', '350 2 1/0', '600 1/0 3/0', '1100 2/0 4/0'] as $row) {
            [$kcmil, $cu, $al] = explode(' ', $row);
            self::assertSame($cu, EgcTable::byConductors((float) $kcmil, 'cu', 'cu'));
            self::assertSame($al, EgcTable::byConductors((float) $kcmil, 'cu', 'al'));
        }
        foreach (['105.6 8', '167.8 6', '250 4', '500 2', '900 1/0', '1750 2/0'] as $row) {
            [$kcmil, $cu] = explode(' ', $row);
            self::assertSame($cu, EgcTable::byConductors((float) $kcmil, 'al', 'cu'));
        }
        self::assertNull(EgcTable::byConductors(1101, 'cu', 'cu'));
        self::assertSame(['3/0', '250'], [EgcTable::largest('cu'), EgcTable::largest('al')]);
    }

    /** @return iterable<string, array{string, string, string, string}> material, method, conduit, ohm per 1000 ft at 75 °C */
    public static function resistances(): iterable
    {
        yield 'copper, direct' => ['cu', 'dc', 'pvc', '3.14 1.98 1.24 .778 .491 .308 .245 .194 .154 .122 .0967 .0766 .0608 .0515 .0429 '
            . '.0367 .0321 .0258 .0214 .0184 .0171'];
        yield 'aluminum, direct' => ['al', 'dc', 'pvc', '- 3.25 2.04 1.28 .808 .508 .403 .319 .253 .201 .159 .126 .100 .0847 .0707 '
            . '.0605 .0529 .0424 .0353 .0303 .0282'];
        $none = '- - - - - - - ';
        yield 'copper in pvc' => ['cu', 'impedance', 'pvc', $none . '.194 .154 .122 .10 .077 .062 .052 .044 .038 .033 .027 .023 .020 .019'];
        yield 'copper in aluminum' => [
            'cu', 'impedance',
            'aluminum', $none . '.20 .16 .13 .10 .082 .067 .057 .049 .043 .038 .032 .028 .025 .024',
        ];
        yield 'copper in steel' => [
            'cu', 'impedance',
            'steel', $none . '.20 .16 .122 .10 .079 .063 .054 .045 .039 .035 .029 .025 .022 .021',
        ];
        yield 'aluminum in pvc' => ['al', 'impedance', 'pvc', $none . '.32 .253 .201 .16 .13 .10 .085 .071 .061 .054 .043 .036 .031 .029'];
        yield 'aluminum in aluminum' => [
            'al', 'impedance',
            'aluminum', $none . '.33 .26 .21 .16 .13 .11 .090 .076 .066 .059 .048 .041 .036 .034',
        ];
        yield 'aluminum in steel' => [
            'al', 'impedance',
            'steel', $none . '.32 .253 .201 .16 .13 .10 .086 .072 .063 .055 .045 .038 .033 .031',
        ];
    }

    #[Test, DataProvider('resistances')]
    public function what_a_conductor_resists(string $material, string $method, string $conduit, string $ohms): void
    {
        $table = new Resistance('nec', $material, $method, 75.0, $conduit);
        foreach (explode(' ', $ohms) as $i => $ohm) {
            $size = explode(' ', self::SIZES)[$i];
            $ohm === '-' || self::assertEqualsWithDelta((float) $ohm, $table->perKft($size), 1e-9, $size);
        }
        $warm = new Resistance('nec', $material, $method, 85.0, $conduit);
        self::assertEqualsWithDelta($material === 'cu' ? 1.0323 : 1.033, $warm->perKft('250') / $table->perKft('250'), 1e-9);
    }

    #[Test]
    public function what_a_conductor_reacts(): void
    {
        $reactances = [
            'pvc' => '.058 .054 .050 .052 .051 .048 .047 .045 .046 .044 .043 .042 .041 .041 .041 .040 .040 .039 .039 .038 .038',
            'steel' => '.073 .068 .063 .065 .064 .060 .059 .057 .057 .055 .054 .052 .051 .052 .051 .050 .049 .048 .048 .048 .048',
        ];
        foreach ($reactances as $conduit => $all) {
            foreach (explode(' ', $all) as $i => $ohm) {
                $size = explode(' ', self::SIZES)[$i];
                $there = (new Resistance('nec', 'cu', 'impedance', 75.0, $conduit))->reactancePerKft($size);
                self::assertEqualsWithDelta((float) $ohm, $there, 1e-9, "$size in $conduit");
            }
        }
        self::assertSame(0.0, (new Resistance('nec', 'cu', 'dc'))->reactancePerKft('1/0'));
        self::assertSame([0.08, 22.5 / 95, 36.0 / 95], [
            (new Resistance('iec', 'cu', 'impedance'))->reactancePerKm('95'), (new Resistance('iec', 'cu', 'impedance'))->perKm('95'),
            (new Resistance('iec', 'al', 'impedance'))->perKm('95'),
        ]);
    }

    /** @return iterable<string, array{string, string}> type, square inches inside of 1/2 in. up to 4 in. */
    public static function raceways(): iterable
    {
        yield 'emt' => ['emt', '.304 .533 .864 1.496 2.036 3.356 5.858 8.846 11.545 14.753'];
        yield 'rmc' => ['rmc', '.314 .549 .887 1.526 2.071 3.408 4.866 7.499 10.010 12.882'];
        yield 'imc' => ['imc', '.342 .586 .959 1.647 2.225 3.630 5.135 7.922 10.584 13.631'];
        yield 'pvc40' => ['pvc40', '.285 .508 .832 1.453 1.986 3.291 4.695 7.268 9.737 12.554'];
        yield 'pvc80' => ['pvc80', '.217 .409 .688 1.237 1.711 2.874 4.119 6.442 8.688 11.258'];
        yield 'fmc' => ['fmc', '.317 .533 .817 1.277 1.858 3.269 4.909 7.069 9.621 12.566'];
        yield 'lfmc' => ['lfmc', '.314 .541 .873 1.528 1.981 3.246 4.881 7.475 9.731 12.692'];
        yield 'lfnc' => ['lfnc', '.314 .541 .873 1.528 1.981 3.246'];
        yield 'ent' => ['ent', '.285 .508 .832 1.453 1.986 3.291'];
    }

    #[Test, DataProvider('raceways')]
    public function what_a_raceway_is_inside(string $type, string $areas): void
    {
        $given = explode(' ', $areas);
        foreach (Raceways::TRADE_SIZES as $i => $size) {
            self::assertSame(isset($given[$i]), Raceways::isListed($type, $size));
            if (isset($given[$i])) {
                self::assertEqualsWithDelta((float) $given[$i], Raceways::area($type, $size), 1e-9, $size);
                self::assertSame($size, Raceways::smallest($type, 0.4 * (float) $given[$i], 40.0), 'full to its limit');
            }
        }
        self::assertNull(Raceways::smallest($type, 0.41 * (float) $given[count($given) - 1], 40.0));
        self::assertSame(in_array($type, ['fmc', 'lfmc', 'lfnc', 'ent'], true), Raceways::asksForWireGround($type));
        self::assertSame(in_array($type, ['fmc', 'lfmc', 'lfnc'], true), Raceways::isFlexible($type));
    }

    /** @return iterable<string, array{string, string}> kind, square inches of 14 AWG up to 500 kcmil */
    public static function conductors(): iterable
    {
        yield 'thhn' => [
            'thhn',
            '.0097 .0133 .0211 .0366 .0507 .0824 .0973 .1158 .1562 .1855 .2223 .2679 .3237 .3970 .4608 .5242 .5863 .7073',
        ];
        yield 'xhhw2' => [
            'xhhw2',
            '.0139 .0181 .0243 .0437 .0590 .0814 .0962 .1146 .1534 .1825 .2190 .2642 .3197 .3904 .4536 .5166 .5782 .6984',
        ];
        yield 'compact' => ['xhhw2_compact', '- - - .0394 .0530 .0730 - .1017 .1352 .1590 .1885 .2290 .2733 .3421 .4015 .4536 .5026 .6082'];
        yield 'bare' => ['bare', '.004 .006 .011 .017 .027 .042 .053 .067 .087 .109 .137 .173 .219 .260 .312 .364 .416 .519'];
    }

    #[Test, DataProvider('conductors')]
    public function what_room_a_conductor_takes(string $kind, string $areas): void
    {
        foreach (explode(' ', $areas) as $i => $area) {
            $size = explode(' ', self::SIZES)[$i];
            $area === '-' ? self::assertNull(Raceways::conductor($kind, $size), $size)
                : self::assertEqualsWithDelta((float) $area, Raceways::conductor($kind, $size), 1e-9, $size);
        }
    }

    #[Test]
    public function how_full_a_raceway_may_be(): void
    {
        self::assertSame([53.0, 31.0, 40.0, 40.0, 60.0], [
            Raceways::limitPct(1, false), Raceways::limitPct(2, false), Raceways::limitPct(3, false), Raceways::limitPct(9, false),
            Raceways::limitPct(2, true),
        ]);
        self::assertSame(
            [0.5, 0.75, 1.0, 1.25, 1.5, 2.0, 2.5, 3.0, 3.5, 4.0],
            array_map(Raceways::inches(...), Raceways::TRADE_SIZES),
        );
    }
}
