<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Wiring;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Terminations\EnclosureCheck;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What stands against the landings of one enclosure before anybody lands anything. */
final class EnclosureCheckTest extends TestCase
{
    /**
     * @param list<array<string, mixed>> $lines
     * @param list<string>               $stops
     * @param list<string>               $found
     */
    #[Test, DataProvider('enclosures')]
    public function a_wrong_colour_stops_and_notes_stay_out_of_the_plan(array $lines, bool $isBond, array $stops, array $found): void
    {
        $check = new EnclosureCheck('us_split_120_240', $lines, $isBond, '2026-05-01');
        $ids = static fn(array $findings): array => array_map(static fn(Finding $one): string => $one->id, $findings);
        self::assertSame([$stops, $found], [$ids($check->stops()), $ids($check->findings())]);
        self::assertCount(count($lines), $check->points());
    }

    /** @return iterable<string, array{list<array<string, mixed>>, bool, list<string>, list<string>}> */
    public static function enclosures(): iterable
    {
        $whole = [self::line('L1', 'black'), self::line('L2', 'red'), self::line('N', 'white'), self::line('G', 'bare')];
        yield 'as it should be' => [$whole, false, [], []];
        yield 'a white phase' => [
            [self::line('L1', 'white'), ...array_slice($whole, 1)], false, ['unmarked-reidentified'], ['unmarked-reidentified'],
        ];
        yield 'a white phase behind forty that are right' => [
            [...array_merge(...array_fill(0, 10, $whole)), self::line('L1', 'white')], false,
            ['unmarked-reidentified'], ['unmarked-reidentified'],
        ];
        yield 'a green neutral' => [
            [$whole[0], $whole[1], self::line('N', 'green'), $whole[3]], false, ['green-not-ground'], ['green-not-ground'],
        ];
        yield 'a torque that is not known stops its lug, not the others' => [
            [self::line('L1', 'black', ['maker' => null]), ...array_slice($whole, 1)], false, [], ['maker-torque-missing'],
        ];
        $moved = [...$whole, ['conductor' => 'G'] + self::line('N', 'bare')];
        yield 'a ground on the neutral bar where they are joined' => [$moved, true, [], []];
        yield 'and where they are not' => [$moved, false, ['ground-on-neutral-bar'], ['ground-on-neutral-bar']];
        yield 'nor where no ground bar is listed' => [
            array_values(array_diff_key($moved, [3 => 0])), false, ['ground-on-neutral-bar'], ['ground-on-neutral-bar'],
        ];
        yield 'no ground is listed: none is missing' => [array_slice($whole, 0, 3), false, [], []];
        yield 'a neutral on the ground bar' => [
            [...$whole, ['conductor' => 'N'] + self::line('G', 'white')], true, ['neutral-on-ground'], ['neutral-on-ground'],
        ];
    }

    #[Test]
    public function the_makers_torque_counts_in_inch_pounds(): void
    {
        $check = new EnclosureCheck('us_split_120_240', [
            self::line('L1', 'black', ['maker' => ['value' => 5.0, 'unit' => 'nm']]),
            self::line('L2', 'red', ['maker' => ['value' => 20.0, 'unit' => 'ft_lb']]),
            self::line('N', 'white', ['maker' => null]),
            self::line('G', 'bare', ['maker' => null, 'screw' => 'hex_socket', 'socket_in' => '3/8']),
        ], false, '2026-05-01');
        $inLb = static fn(array $one): float => round((float) $one['target_in_lb'], 2);
        $targets = array_map($inLb, $check->points());
        self::assertSame([44.25, 240.0, 45.0, 375.0], $targets);
    }

    /**
     * @param array<string, mixed> $more
     *
     * @return array<string, mixed>
     */
    private static function line(string $on, string $colour, array $more = []): array
    {
        return $more + [
            'conductor' => $on, 'terminal' => 'lug', 'on' => $on, 'size' => '6', 'colour' => $colour, 'screw' => 'slotted_large',
            'maker' => ['value' => 45.0, 'unit' => 'in_lb'],
        ];
    }
}
