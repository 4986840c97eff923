<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Commissioning;

use Escapement\Core\Commissioning\Procedure\DeadPairs;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Settings\Template\SheetTemplate;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class DeadPairsTest extends TestCase
{
    /** @param list<string> $pairs */
    #[Test, DataProvider('plants')]
    public function every_conductor_is_tried_against_every_other_and_ground(InstallationKind $kind, array $pairs): void
    {
        self::assertSame($pairs, DeadPairs::of((new SheetTemplate($kind))->plant()));
    }

    /** @return iterable<string, array{InstallationKind, list<string>}> */
    public static function plants(): iterable
    {
        yield 'one hot' => [InstallationKind::Mobile30, ['L1–N', 'L1–ground', 'N–ground']];
        yield 'two hots' => [InstallationKind::WholeHouse, ['L1–L2', 'L1–N', 'L1–ground', 'L2–N', 'L2–ground', 'N–ground']];
        yield 'three phases' => [
            InstallationKind::MotorDriven,
            ['L1–L2', 'L1–L3', 'L1–N', 'L1–ground', 'L2–L3', 'L2–N', 'L2–ground', 'L3–N', 'L3–ground', 'N–ground'],
        ];
    }
}
