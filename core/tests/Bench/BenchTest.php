<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Bench;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Settings\Template\SheetTemplate;
use Escapement\Core\Wire\Calculations;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class BenchTest extends TestCase
{
    private const LOADS = [
        ['id' => 'pump', 'kw' => 3, 'priority' => 1, 'shed' => false], ['id' => 'heater', 'kw' => 4.5, 'priority' => 2, 'shed' => true],
    ];

    #[Test, DataProvider('seeds')]
    public function without_a_hook_its_scenario_rehearsed_gives_the_same_events(int $seed): void
    {
        $random = new Randomizer(new Mt19937($seed));
        $input = $this->bench(InstallationKind::WholeHouse, $this->hands($random), 600_000);
        $played = $this->calc('bench_play', $input);
        self::assertTrue($played['pure']);
        $rehearsed = $this->rehearse(array_intersect_key($input, array_flip(['system', 'settings', 'loads', 'until_ms']))
            + ['events' => $played['scenario']]);
        $key = static fn(array $event): string => (string) json_encode(array_diff_key($event, ['because' => 0]));
        self::assertEqualsCanonicalizing(array_map($key, $rehearsed['events']), array_map($key, $played['events']));
        self::assertSame($rehearsed['metrics'], $played['metrics']);
        self::assertSame($rehearsed['final'], $played['final']);
    }

    #[Test, DataProvider('seeds')]
    public function what_is_looked_at_changes_nothing_and_energy_is_never_lost(int $seed): void
    {
        $random = new Randomizer(new Mt19937($seed));
        $hands = $this->hands($random);
        $blind = $this->calc('bench_play', $this->bench(InstallationKind::WholeHouse, $hands, 600_000));
        $input = $this->bench(InstallationKind::WholeHouse, $hands, 600_000);
        $input['sample_at_ms'] = range(0, 600_000, 1111);
        $seen = $this->calc('bench_play', $input);
        self::assertSame($blind['events'], $seen['events']);
        foreach ($seen['samples'] as $sample) {
            self::assertEqualsWithDelta($sample['bus']['kw'], array_sum($sample['meter_kw']), 1e-9);
            self::assertLessThanOrEqual(1.0, $sample['soc']);
            if ($sample['position'] === 'off' || max($sample['v_bus']) <= 0) {
                self::assertEquals(0, $sample['bus']['kw']);
            }
        }
    }

    /** @return iterable<int, array{int}> */
    public static function seeds(): iterable
    {
        for ($seed = 1; $seed <= 12; $seed++) {
            yield $seed => [$seed];
        }
    }

    /**
     * @param list<array<string, mixed>> $hands
     * @param list<string>               $findings
     */
    #[Test, DataProvider('mishaps')]
    public function what_was_done_wrong_is_said(array $hands, array $findings): void
    {
        $played = $this->calc('bench_play', $this->bench(InstallationKind::WholeHouse, $hands, 120_000));
        self::assertEqualsCanonicalizing($findings, array_column($played['findings'], 'id'));
    }

    /** @return iterable<string, array{list<array<string, mixed>>, list<string>}> */
    public static function mishaps(): iterable
    {
        $outage = ['at_ms' => 0, 'do' => 'utility_disconnect', 'open' => true];
        $off = ['at_ms' => 0, 'do' => 'selector', 'to' => 'off'];
        yield 'nothing' => [[], []];
        yield 'the panel main instead of an outage' => [
            [['at_ms' => 0, 'do' => 'panel_main', 'closed' => false]], ['panel-main-is-no-test'],
        ];
        yield 'the panel main after an outage' => [[$outage, ['at_ms' => 90_000, 'do' => 'panel_main', 'closed' => false]], []];
        yield 'off auto, door and breaker open' => [
            [$off, ['at_ms' => 1, 'do' => 'generator_breaker', 'closed' => false]], ['left-not-in-auto', 'breaker-left-open'],
        ];
        yield 'the handle under voltage' => [
            [$off, ['at_ms' => 5, 'do' => 'handle', 'to' => 'emergency']], ['handle-under-voltage', 'left-not-in-auto'],
        ];
        yield 'the handle with both sides dead' => [
            [$off, $outage, ['at_ms' => 5, 'do' => 'handle', 'to' => 'emergency']], ['left-not-in-auto'],
        ];
        yield 'the handle at auto' => [[['at_ms' => 5, 'do' => 'handle', 'to' => 'emergency']], ['handle-refused']];
        yield 'more than the set can' => [
            [$outage, ['at_ms' => 60_000, 'do' => 'load', 'load' => 'pump', 'kw' => 60]], ['overload', 'dip-severe'],
        ];
        yield 'no fuel' => [
            [['at_ms' => 0, 'do' => 'fuel', 'blocked' => true], ['at_ms' => 1] + $outage], ['locked-out'],
        ];
        yield 'a transformer turned and turned back' => [[
            ['at_ms' => 0, 'do' => 'ct', 'phase' => 1, 'reversed' => true], ['at_ms' => 9, 'do' => 'ct', 'phase' => 1, 'reversed' => false],
        ], []];
    }

    /** @param array<string, mixed> $hand */
    #[Test, DataProvider('faults')]
    public function what_a_bench_does_not_have_is_refused_at_its_key(InstallationKind $kind, array $hand, string $path): void
    {
        try {
            $this->calc('bench_play', $this->bench($kind, [['at_ms' => 0] + $hand], 1000));
            self::fail('nothing was refused');
        } catch (BadInput $bad) {
            self::assertSame($path, $bad->path);
        }
    }

    /** @return iterable<string, array{InstallationKind, array<string, mixed>, string}> */
    public static function faults(): iterable
    {
        $house = InstallationKind::WholeHouse;
        yield 'an unknown verb' => [$house, ['do' => 'kick'], '/inputs/0/do'];
        yield 'the other supply of a house' => [$house, ['do' => 'emergency', 'v' => 120], '/inputs/0/do'];
        yield 'an element that is not there' => [$house, ['do' => 'bank', 'element' => 2, 'on' => true], '/inputs/0/element'];
        yield 'a load that is not there' => [$house, ['do' => 'load', 'load' => 'sauna', 'kw' => 1], '/inputs/0/load'];
        yield 'a third phase of two' => [$house, ['do' => 'ct', 'phase' => 3, 'reversed' => true], '/inputs/0/phase'];
        yield 'rotation of two legs' => [$house, ['do' => 'generator_rotation', 'rotation' => 'acb'], '/inputs/0/rotation'];
        yield 'three volts for two legs' => [$house, ['do' => 'utility', 'v' => [1, 2, 3]], '/inputs/0/v'];
        yield 'a key too many' => [$house, ['do' => 'door', 'open' => true, 'wide' => 1], '/inputs/0/wide'];
        yield 'a selector on a vehicle' => [InstallationKind::Mobile50, ['do' => 'selector', 'to' => 'off'], '/inputs/0/do'];
    }

    /** @return list<array<string, mixed>> */
    private function hands(Randomizer $random): array
    {
        $hands = [];
        $t = 0;
        for ($i = 0; $i < 40; $i++) {
            $t += $random->getInt(0, 1) * $random->getInt(1, 30_000);
            $is = $random->getInt(0, 1) === 1;
            $hands[] = ['at_ms' => $t] + match ($random->getInt(0, 9)) {
                0, 1, 2 => ['do' => 'utility_disconnect', 'open' => $is],
                3 => ['do' => 'fuel', 'blocked' => $is],
                4 => ['do' => 'load', 'load' => 'pump', 'kw' => $random->getInt(0, 4)],
                5 => ['do' => 'panel_main', 'closed' => $is],
                6 => ['do' => 'bank', 'element' => 0, 'on' => $is],
                7 => ['do' => 'engine_reset'],
                8 => ['do' => 'test', 'with_load' => $is, 'for_ms' => 20_000],
                default => ['do' => 'utility', 'v' => [120, 96, 0][$random->getInt(0, 2)], 'hz' => 60],
            };
        }

        return $hands;
    }

    /**
     * @param list<array<string, mixed>> $hands
     *
     * @return array<string, mixed>
     */
    private function bench(InstallationKind $kind, array $hands, int $untilMs): array
    {
        $template = new SheetTemplate($kind);

        return [
            'system' => $template->plant()->toArray(), 'settings' => $template->settings()->toWire(), 'loads' => self::LOADS,
            'bench' => [
                'generator' => ['rated_kw' => 18, 'fuel' => 'lp', 'tank_gal' => 250],
                'electrical' => [['load' => 'pump', 'pf' => 0.8, 'start_kva' => 6]], 'bank' => ['elements_kw' => [5, 5]],
            ],
            'inputs' => $hands, 'sample_at_ms' => [], 'until_ms' => $untilMs,
        ];
    }

    /**
     * @param array<string, mixed> $input
     *
     * @return array<string, mixed>
     */
    private function calc(string $name, array $input): array
    {
        return (new Calculations())->calc($name, Node::fromJson((string) json_encode($input)));
    }

    /**
     * @param array<string, mixed> $input
     *
     * @return array<string, mixed>
     */
    private function rehearse(array $input): array
    {
        return (new Calculations())->rehearse(Node::fromJson((string) json_encode($input)));
    }
}
