<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Panel;

use Escapement\Core\Panel\WaySupply;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What an outgoing way has when a phase is lost, and on the generator. */
final class WaySupplyTest extends TestCase
{
    /** @param 'normal'|'off'|'emergency' $on */
    #[Test, DataProvider('ways')]
    public function a_way_has_what_its_conductors_bring(
        string $connects,
        bool $isShed,
        string $on,
        ?string $lost,
        WaySupply $expected,
    ): void {
        self::assertSame($expected, WaySupply::of($connects, $isShed, $on, $lost));
    }

    /** @return iterable<string, array{string, bool, 'normal'|'off'|'emergency', ?string, WaySupply}> */
    public static function ways(): iterable
    {
        yield 'all there' => ['L1', true, 'normal', null, WaySupply::Fed];
        yield 'its own phase' => ['L2', false, 'normal', 'L2', WaySupply::Dark];
        yield 'another phase' => ['L1', false, 'normal', 'L2', WaySupply::Fed];
        yield 'between lines, its first' => ['L2L3', false, 'normal', 'L2', WaySupply::Dark];
        yield 'between lines, its second' => ['L3L1', false, 'normal', 'L1', WaySupply::Dark];
        yield 'between the other two' => ['L3L1', false, 'normal', 'L2', WaySupply::Fed];
        yield 'three phases' => ['3P', false, 'normal', 'L3', WaySupply::TwoPhases];
        yield 'the generator has its own phases' => ['L2', false, 'emergency', 'L2', WaySupply::Fed];
        yield 'shed on the generator' => ['3P', true, 'emergency', null, WaySupply::Shed];
        yield 'between the sources' => ['3P', false, 'off', null, WaySupply::Dark];
    }
}
