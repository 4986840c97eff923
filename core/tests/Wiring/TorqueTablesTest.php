<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Wiring;

use Escapement\Core\Tests\Answers;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** The torque of last resort, a second time by hand, and what is judged of a lug. Rule: docs/rules.md#torque. To be confirmed. */
final class TorqueTablesTest extends TestCase
{
    use Answers;

    /** @return iterable<string, array{string, string}> sizes; slotted small, slotted large, split bolt, external hex, in-lb */
    public static function screws(): iterable
    {
        yield '14 to 10' => ['14 12 10', '20 35 80 75'];
        yield '8' => ['8', '25 40 80 75'];
        yield '6 and 4' => ['6 4', '35 45 165 110'];
        yield '3' => ['3', '35 50 275 150'];
        yield '2' => ['2', '40 50 275 150'];
        yield '1' => ['1', '- 50 275 150'];
        yield '1/0 and 2/0' => ['1/0 2/0', '- 50 385 180'];
        yield '3/0 and 4/0' => ['3/0 4/0', '- 50 500 250'];
        yield '250 to 350' => ['250 300 350', '- 50 650 325'];
        yield '400' => ['400', '- 50 825 325'];
        yield '500' => ['500', '- 50 825 375'];
        yield '600 to 750' => ['600 700 750', '- 50 1000 375'];
    }

    #[Test, DataProvider('screws')]
    public function a_lug_without_label_is_torqued_by_its_screw(string $sizes, string $torques): void
    {
        $screws = ['slotted_small', 'slotted_large', 'split_bolt', 'hex_external'];
        foreach (explode(' ', $sizes) as $size) {
            foreach (array_combine($screws, explode(' ', $torques)) as $screw => $inLb) {
                $target = self::point(['conductor_size' => $size, 'screw' => $screw], 'target_in_lb');
                self::assertSame($inLb === '-' ? null : (float) $inLb, $target, "$size, $screw");
            }
        }
    }

    #[Test]
    public function a_socket_screw_is_torqued_by_its_flats(): void
    {
        $sockets = [
            '1/8' => 45.0, '5/32' => 100.0, '3/16' => 120.0, '7/32' => 150.0, '1/4' => 200.0, '5/16' => 275.0, '3/8' => 375.0,
            '1/2' => 500.0, '9/16' => 600.0,
        ];
        foreach ($sockets as $socket => $inLb) {
            $point = ['conductor_size' => '4/0', 'screw' => 'hex_socket', 'socket_in' => $socket];
            self::assertSame($inLb, self::point($point, 'target_in_lb'));
        }
        self::assertNull(self::point(['conductor_size' => '4/0', 'screw' => 'hex_socket'], 'target_in_lb'));
    }

    /** @return iterable<string, array{float, string, float}> */
    public static function units(): iterable
    {
        yield 'in-lb' => [250, 'in_lb', 250];
        yield 'ft-lb' => [20, 'ft_lb', 240];
        yield 'N·m' => [0.1129848290276167 * 250, 'nm', 250];
    }

    #[Test, DataProvider('units')]
    public function a_torque_is_read_in_the_unit_of_the_tool(float $value, string $unit, float $inLb): void
    {
        $point = ['maker' => ['value' => $value, 'unit' => $unit], 'recorded' => ['value' => $value, 'unit' => $unit]];
        self::assertEqualsWithDelta($inLb, self::point($point, 'target_in_lb'), 1e-9);
        self::assertEqualsWithDelta($inLb, self::point($point, 'recorded_in_lb'), 1e-9);
        self::assertEqualsWithDelta($inLb / 12, self::point($point, 'target_ft_lb'), 1e-9);
        self::assertEqualsWithDelta($inLb * 0.1129848290276167, self::point($point, 'target_nm'), 1e-9);
    }

    /** @return iterable<string, array{float, string, string, list<string>}> in-lb turned, verdict, action, flags */
    public static function first(): iterable
    {
        yield 'on the target' => [100, 'accept', 'mark', ['mark-not-applied']];
        yield 'on the lower edge' => [90, 'accept', 'mark', ['mark-not-applied']];
        yield 'below it' => [89.9, 'reject', 're_torque', ['torque-low']];
        yield 'on the upper edge' => [110, 'accept', 'mark', ['mark-not-applied']];
        yield 'above it' => [110.1, 'reject', 'inspect_replace', ['torque-high']];
    }

    /** @param list<string> $flags */
    #[Test, DataProvider('first')]
    public function a_lug_is_inside_its_band_or_not(float $turned, string $verdict, string $action, array $flags): void
    {
        $point = ['maker' => ['value' => 100, 'unit' => 'in_lb'], 'recorded' => ['value' => $turned, 'unit' => 'in_lb']];
        self::assertSame([$verdict, $action, $flags], [
            self::point($point, 'verdict'),
            self::point($point, 'action'),
            self::point($point, 'flags'),
        ]);
    }

    /** @return iterable<string, array{string, ?float, string, string, string, list<string>}> mark, in-lb turned, school, verdict, action */
    public static function later(): iterable
    {
        yield 'a sound mark is left alone' => ['aligned', null, 'mark_check', 'accept', 'none', []];
        yield 'or turned all the same' => ['aligned', null, 'retorque_all', 'incomplete', 'torque', ['torque-not-recorded']];
        yield 'turned and good' => ['aligned', 100, 'retorque_all', 'accept', 'none', []];
        yield 'moved' => ['moved', null, 'mark_check', 'reject', 're_torque', ['mark-moved']];
        yield 'moved and turned' => ['moved', 100, 'mark_check', 'accept', 'none', ['mark-moved-retorqued']];
        yield 'moved and turned too little' => ['moved', 50, 'mark_check', 'reject', 're_torque', ['mark-moved', 'torque-low']];
        yield 'gone' => ['missing', null, 'mark_check', 'incomplete', 're_torque', ['mark-missing']];
        yield 'gone and turned' => ['missing', 100, 'mark_check', 'accept', 'none', []];
        yield 'drawn anew' => ['remarked', null, 'mark_check', 'reject', 're_torque', ['remarked-without-torque']];
        yield 'drawn anew and turned' => ['remarked', 100, 'mark_check', 'accept', 'none', []];
    }

    /** @param list<string> $flags */
    #[Test, DataProvider('later')]
    public function a_mark_tells_the_truth_or_not(
        string $mark,
        ?float $turned,
        string $school,
        string $verdict,
        string $action,
        array $flags,
    ): void {
        $point = ['maker' => ['value' => 100, 'unit' => 'in_lb'], 'mark' => $mark]
            + ($turned === null ? [] : ['recorded' => ['value' => $turned, 'unit' => 'in_lb']]);
        $visit = ['visit' => 'revisit', 'revisit_school' => $school];
        self::assertSame([$verdict, $action, $flags], [
            self::point($point, 'verdict', $visit),
            self::point($point, 'action', $visit),
            self::point($point, 'flags', $visit),
        ]);
    }

    /** @return iterable<string, array{array<string, mixed>, list<string>}> */
    public static function tools(): iterable
    {
        $on = static fn(string $day, int $days = 365): array => ['calibrated_on' => $day, 'interval_days' => $days];
        $told = static fn(string ...$ids): array => [...$ids, 'torque-dead-only'];
        yield 'due in 31 days' => [$on('2026-11-01', 61), $told()];
        yield 'due in 30 days' => [$on('2026-11-01', 60), $told('tool-calibration-due-soon')];
        yield 'due today' => [$on('2026-11-01', 30), $told('tool-calibration-due-soon')];
        yield 'due yesterday' => [$on('2026-11-01', 29), $told('tool-calibration-expired')];
        yield 'a year where nothing is said' => [['calibrated_on' => '2025-12-01'], $told('tool-calibration-due-soon')];
        yield 'reaches from' => [$on('2026-11-20') + ['min_in_lb' => 100, 'max_in_lb' => 200], $told()];
        yield 'reaches to' => [$on('2026-11-20') + ['min_in_lb' => 50, 'max_in_lb' => 100], $told()];
        yield 'begins above' => [$on('2026-11-20') + ['min_in_lb' => 101], $told('tool-out-of-range')];
        yield 'ends below' => [$on('2026-11-20') + ['max_in_lb' => 99], $told('tool-out-of-range')];
    }

    /**
     * @param array<string, mixed> $tool
     * @param list<string>         $ids
     */
    #[Test, DataProvider('tools')]
    public function a_tool_is_in_date_and_reaches_the_target(array $tool, array $ids): void
    {
        $point = ['maker' => ['value' => 100, 'unit' => 'in_lb'], 'recorded' => ['value' => 100, 'unit' => 'in_lb'], 'mark' => 'applied'];
        $found = self::found('torque', self::visit($point, ['tool' => $tool]));
        self::assertEqualsCanonicalizing($ids, array_map(static fn(string $id): string => str_replace('torque/', '', $id), $found));
        self::assertContains('tool-not-recorded', self::found('torque', self::visit($point, [])));
    }

    #[Test]
    public function all_is_accepted_when_each_is_and_the_tool_is_in_date(): void
    {
        $good = ['maker' => ['value' => 100, 'unit' => 'in_lb'], 'recorded' => ['value' => 100, 'unit' => 'in_lb'], 'mark' => 'applied'];
        $tool = ['calibrated_on' => '2026-11-01'];
        self::assertTrue(self::figure('torque', self::visit($good, ['tool' => $tool]), '/all_accepted'));
        self::assertFalse(self::figure('torque', self::visit($good, ['tool' => $tool + ['interval_days' => 5]]), '/all_accepted'));
        $low = ['recorded' => ['value' => 80, 'unit' => 'in_lb']] + $good;
        self::assertFalse(self::figure('torque', self::visit($low, ['tool' => $tool]), '/all_accepted'));
    }

    /**
     * @param array<string, mixed> $point
     * @param array<string, mixed> $more
     */
    private static function point(array $point, string $figure, array $more = []): mixed
    {
        return self::figure('torque', self::visit($point, $more), "/points/0/$figure");
    }

    /**
     * @param array<string, mixed> $point
     * @param array<string, mixed> $more
     *
     * @return array<string, mixed>
     */
    private static function visit(array $point, array $more): array
    {
        $point += ['id' => 'a', 'conductor_size' => '4/0', 'screw' => 'hex_socket'];

        return ['work_date' => '2026-12-01', 'points' => [$point]] + $more;
    }
}
