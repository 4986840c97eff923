<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Wiring;

use Escapement\Core\Tests\Answers;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** The figures in mm², a second time by hand, asked through the calculation. Rule: docs/rules.md#conductor. To be confirmed. */
final class MetricTablesTest extends TestCase
{
    use Answers;

    private const COPPER = '1.5 2.5 4 6 10 16 25 35 50 70 95 120 150 185 240 300';
    private const ALUMINUM = '16 25 35 50 70 95 120 150 185 240 300';

    /** @return iterable<string, array{string, string, int, string}> */
    public static function amps(): iterable
    {
        yield 'B1 copper PVC' => ['B1', 'cu', 70, '15.5 21 28 36 50 68 89 110 134 171 207 239 262 296 346 394'];
        yield 'B1 copper XLPE' => ['B1', 'cu', 90, '20 28 37 48 66 88 117 144 175 222 269 312 342 384 450 514'];
        yield 'B2 copper PVC' => ['B2', 'cu', 70, '15 20 27 34 46 62 80 99 118 149 179 206 225 255 297 339'];
        yield 'B2 copper XLPE' => ['B2', 'cu', 90, '19.5 26 35 44 60 80 105 128 154 194 233 268 300 340 398 455'];
        yield 'C copper PVC' => ['C', 'cu', 70, '17.5 24 32 41 57 76 96 119 144 184 223 259 299 341 403 464'];
        yield 'C copper XLPE' => ['C', 'cu', 90, '22 30 40 52 71 96 119 147 179 229 278 322 371 424 500 576'];
        yield 'D1 copper PVC' => ['D1', 'cu', 70, '18 24 30 38 50 64 82 98 116 143 169 192 217 243 280 316'];
        yield 'D1 copper XLPE' => ['D1', 'cu', 90, '21 28 36 44 58 75 96 115 135 167 197 223 251 281 324 365'];
        yield 'D2 copper PVC' => ['D2', 'cu', 70, '19 24 33 41 54 70 92 110 130 162 193 220 246 278 320 359'];
        yield 'D2 copper XLPE' => ['D2', 'cu', 90, '23 30 39 49 65 84 107 129 153 188 226 257 287 324 375 419'];
        yield 'B1 aluminum PVC' => ['B1', 'al', 70, '53 70 86 104 133 161 186 204 230 269 306'];
        yield 'B1 aluminum XLPE' => ['B1', 'al', 90, '71 93 116 140 179 217 251 267 300 351 402'];
        yield 'B2 aluminum PVC' => ['B2', 'al', 70, '48 62 77 92 116 139 160 176 199 232 265'];
        yield 'B2 aluminum XLPE' => ['B2', 'al', 90, '64 84 103 124 156 188 216 240 272 318 364'];
        yield 'C aluminum PVC' => ['C', 'al', 70, '59 73 90 110 140 170 197 227 259 305 351'];
        yield 'C aluminum XLPE' => ['C', 'al', 90, '76 90 112 136 174 211 245 283 323 382 440'];
        yield 'D1 aluminum PVC' => ['D1', 'al', 70, '50 64 77 91 112 132 150 169 190 218 247'];
        yield 'D1 aluminum XLPE' => ['D1', 'al', 90, '59 75 90 106 130 154 174 197 220 253 286'];
        yield 'D2 aluminum PVC' => ['D2', 'al', 70, '53 69 83 99 122 148 169 189 214 250 282'];
        yield 'D2 aluminum XLPE' => ['D2', 'al', 90, '64 82 98 117 144 172 197 220 250 290 326'];
    }

    #[Test, DataProvider('amps')]
    public function what_a_conductor_carries(string $method, string $metal, int $insulation, string $amps): void
    {
        $sizes = explode(' ', $metal === 'cu' ? self::COPPER : self::ALUMINUM);
        foreach (array_combine($sizes, explode(' ', $amps)) as $size => $carries) {
            $input = ['material' => $metal, 'insulation_c' => $insulation, 'install_method' => $method, 'size' => (string) $size];
            self::assertEqualsWithDelta((float) $carries, self::conductor($input, 'table_a'), 1e-9, "$size mm²");
        }
    }

    /** @return iterable<string, array{string, int, string}> factors from up to 10 °C in steps of five, then none */
    public static function heat(): iterable
    {
        yield 'PVC in air' => ['C', 70, '1.22 1.17 1.12 1.06 1 .94 .87 .79 .71 .61 .50 0'];
        yield 'XLPE in air' => ['C', 90, '1.15 1.12 1.08 1.04 1 .96 .91 .87 .82 .76 .71 .65 .58 .50 .41 0'];
        yield 'PVC in the ground' => ['D1', 70, '1.10 1.05 1 .95 .89 .84 .77 .71 .63 .55 .45 0'];
        yield 'XLPE in the ground' => ['D2', 90, '1.07 1.04 1 .96 .93 .89 .85 .80 .76 .71 .65 .60 .53 .46 .38 0'];
    }

    #[Test, DataProvider('heat')]
    public function heat_takes_a_share(string $method, int $insulation, string $factors): void
    {
        foreach (explode(' ', $factors) as $step => $factor) {
            $most = 10 + 5 * $step;
            foreach ([$most, $most - 4.9] as $celsius) {
                $input = ['install_method' => $method, 'insulation_c' => $insulation, 'ambient_c' => $celsius, 'size' => '25'];
                self::assertEqualsWithDelta((float) $factor, self::conductor($input, 'ambient_factor'), 1e-9, "$celsius °C");
            }
        }
    }

    #[Test]
    public function where_nothing_is_said_it_is_thirty_degrees_in_air_and_twenty_in_the_ground(): void
    {
        foreach (['C' => 30, 'D1' => 20] as $method => $usual) {
            $said = self::conductor(['install_method' => $method, 'size' => '25', 'ambient_c' => $usual], 'ampacity_a');
            self::assertSame($said, self::conductor(['install_method' => $method, 'size' => '25'], 'ampacity_a'));
        }
    }

    /** @return iterable<string, array{string, ?string, string}> number of circuits and their factor: up to it, from the one before */
    public static function company(): iterable
    {
        $bunched = '1:1 2:.80 3:.70 4:.65 5:.60 6:.57 7:.54 8:.52 9:.50 12:.45 16:.41 20:.38 100:.38';
        yield 'bunched' => ['C', 'bunched', $bunched];
        yield 'in conduit' => ['B2', null, $bunched];
        yield 'one layer' => ['C', 'single_layer', '1:1 2:.85 3:.79 4:.75 5:.73 6:.72 7:.72 8:.71 100:.70'];
        yield 'ducts' => ['D1', null, '1:1 2:.85 3:.75 4:.70 5:.65 6:.60 7:.57 8:.54 9:.52 10:.49 11:.47 12:.45 16:.39 20:.34 100:.34'];
        yield 'in the ground' => ['D2', null, '1:1 2:.75 3:.65 4:.60 5:.55 6:.50 7:.45 8:.43 9:.41 12:.36 16:.32 20:.29 100:.29'];
    }

    #[Test, DataProvider('company')]
    public function company_takes_a_share(string $method, ?string $grouping, string $rows): void
    {
        $before = 0;
        foreach (explode(' ', $rows) as $row) {
            [$circuits, $factor] = explode(':', $row);
            foreach (array_unique([$before + 1, (int) $circuits]) as $count) {
                $input = ['install_method' => $method, 'circuits' => $count, 'size' => '25'] + array_filter(['grouping' => $grouping]);
                self::assertEqualsWithDelta((float) $factor, self::conductor($input, 'grouping_factor'), 1e-9, "$count circuits");
            }
            $before = (int) $circuits;
        }
    }

    /** @return iterable<string, array{string, string}> by 0.5 0.7 1 1.5 2 2.5 3 K·m/W */
    public static function soils(): iterable
    {
        yield 'ducts' => ['D1', '1.28 1.20 1.18 1.1 1.05 1 .96'];
        yield 'in the ground' => ['D2', '1.88 1.62 1.5 1.28 1.12 1 .90'];
    }

    #[Test, DataProvider('soils')]
    public function dry_soil_keeps_the_heat(string $method, string $factors): void
    {
        foreach (array_combine(['0.5', '0.7', '1', '1.5', '2', '2.5', '3'], explode(' ', $factors)) as $soil => $factor) {
            $input = ['install_method' => $method, 'soil_km_w' => (float) $soil, 'size' => '25'];
            self::assertEqualsWithDelta((float) $factor, self::conductor($input, 'soil_factor'), 1e-9, "$soil K·m/W");
        }
        self::assertEqualsWithDelta(1.0, self::conductor(['size' => '25'], 'soil_factor'), 1e-9);
    }

    /** @return iterable<string, array{float, int}> load, smallest rating that is made */
    public static function ratings(): iterable
    {
        $made = [6, 10, 13, 16, 20, 25, 32, 40, 50, 63, 80, 100, 125, 160, 200, 250, 315, 400, 500, 630, 800, 1000, 1250, 1600, 2000];
        $before = 0;
        foreach ($made as $rating) {
            yield "$rating A" => [(float) $rating, $rating];
            yield "just above $before A" => [$before + 0.5, $rating];
            $before = $rating;
        }
    }

    #[Test, DataProvider('ratings')]
    public function a_device_is_the_smallest_that_is_made(float $loadA, int $rating): void
    {
        $input = ['continuous_a' => $loadA, 'sets' => 12, 'size' => '300'];
        self::assertEqualsWithDelta($rating, self::conductor($input, 'ocpd_a'), 1e-9);
    }

    /** @return iterable<string, array{string, float, float}> device, its amps, factor to its tripping current */
    public static function devices(): iterable
    {
        yield 'breaker' => ['breaker', 10, 1.45];
        yield 'fuse' => ['gg_fuse', 16, 1.6];
        yield 'small fuse' => ['gg_fuse', 10, 1.9];
    }

    #[Test, DataProvider('devices')]
    public function a_device_must_trip_before_the_conductor_suffers(string $device, float $amps, float $k2): void
    {
        $input = ['continuous_a' => 5, 'ocpd_a' => $amps, 'device' => $device, 'size' => '2.5'];
        self::assertEqualsWithDelta(min(24, 1.45 * 24 / $k2), self::conductor($input, 'ocpd_max_a'), 1e-9);
    }

    /** @param array<string, mixed> $input */
    private static function conductor(array $input, string $figure): mixed
    {
        return self::figure('conductor', $input + ['system' => 'iec', 'material' => 'cu', 'continuous_a' => 5], "/$figure");
    }
}
