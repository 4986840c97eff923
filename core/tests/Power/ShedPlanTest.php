<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Power;

use Eris\Generators;
use Eris\TestTrait;
use Escapement\Core\Input\Node;
use Escapement\Core\Power\Restart\RestartLoad;
use Escapement\Core\Power\Restart\StepSequence;
use Escapement\Core\Power\Restart\StepSequenceInput;
use Escapement\Core\Wire\Power\ShedPlanReader;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class ShedPlanTest extends TestCase
{
    use TestTrait;

    #[Test]
    public function it_finds_what_trying_every_set_finds(): void
    {
        $this->limitTo(150)->forAll(Generators::choose(0, 2_000_000_000))->then(function (int $seed): void {
            $random = new Randomizer(new Mt19937($seed));
            $loads = [];
            for ($i = 0; $i < 9; $i++) {
                $loads[] = [
                    'id' => chr(97 + $random->getInt(0, 25)) . $i,
                    'kw' => $random->getInt(0, 40) / 10,
                    'connect' => ['L1', 'L2', 'L1L2'][$random->getInt(0, 2)],
                    'weight' => $random->getInt(1, 4),
                ];
            }
            $limits = ['usable_kw' => $random->getInt(20, 120) / 10, 'leg_limit_a' => [$random->getInt(10, 60), $random->getInt(10, 60)]];
            $plan = (new ShedPlanReader())->answer(Node::fromArray(['loads' => $loads] + $limits));
            self::assertSame($this->byHand($loads, $limits), $plan['shed']);
        });
    }

    #[Test]
    public function what_comes_back_never_exceeds_the_source_and_comes_one_at_a_time(): void
    {
        $this->limitTo(150)->forAll(Generators::choose(0, 2_000_000_000))->then(function (int $seed): void {
            $random = new Randomizer(new Mt19937($seed));
            $loads = [];
            for ($i = 0; $i < $random->getInt(0, 12); $i++) {
                $loads[] = new RestartLoad(
                    "l$i",
                    $random->getInt(0, 50) / 10,
                    $random->getInt(0, 30),
                    $random->getInt(1, 5),
                    $random->getInt(0, 3) === 0,
                    $random->getInt(0, 300),
                );
            }
            $answer = (new StepSequence())->answer(new StepSequenceInput(12, 60, $loads, baseKw: 2))->values;
            /** @var list<array{t_s: float, id: string, running_kw: float, dip_pct: float}> $timeline */
            $timeline = $answer['timeline'];
            $lockouts = array_column($loads, 'lockoutS', 'id');
            $before = -1.0;
            foreach ($timeline as $step) {
                self::assertLessThanOrEqual(12.000001, $step['running_kw']);
                self::assertLessThanOrEqual(30.000001, $step['dip_pct']);
                self::assertGreaterThan($before, $step['t_s']);
                self::assertGreaterThanOrEqual($lockouts[$step['id']] - 1e-6, $step['t_s']);
                $before = $step['t_s'];
            }
            self::assertIsArray($answer['not_returned']);
            self::assertCount(count($loads), [...$timeline, ...$answer['not_returned']]);
        });
    }

    /**
     * @param list<array{id: string, kw: float, connect: string, weight: int}> $loads
     * @param array{usable_kw: float, leg_limit_a: list<int>}                  $limits
     *
     * @return list<string>
     */
    private function byHand(array $loads, array $limits): array
    {
        $best = null;
        for ($bits = 0; $bits < 1 << count($loads); $bits++) {
            $kw = 0.0;
            $legs = [0.0, 0.0];
            $weight = 0;
            $shed = [];
            foreach ($loads as $i => $load) {
                if (($bits >> $i & 1) === 0) {
                    $shed[] = $load['id'];
                    continue;
                }
                $kw += $load['kw'];
                $weight += $load['weight'];
                $legs[0] += $load['connect'] === 'L2' ? 0 : 1000 * $load['kw'] / ($load['connect'] === 'L1' ? 120 : 240);
                $legs[1] += $load['connect'] === 'L1' ? 0 : 1000 * $load['kw'] / ($load['connect'] === 'L2' ? 120 : 240);
            }
            if ($kw > $limits['usable_kw'] + 1e-6
                || $legs[0] > $limits['leg_limit_a'][0] + 1e-6
                || $legs[1] > $limits['leg_limit_a'][1] + 1e-6) {
                continue;
            }
            sort($shed, SORT_STRING);
            if ($best === null || $weight > $best[0] || $weight === $best[0] && self::before($shed, $best[1]) < 0) {
                $best = [$weight, $shed];
            }
        }

        return $best[1] ?? [];
    }

    /**
     * @param list<string> $a
     * @param list<string> $b
     */
    private static function before(array $a, array $b): int
    {
        foreach ($a as $i => $id) {
            if (! isset($b[$i])) {
                return 1;
            }
            if ($id !== $b[$i]) {
                return strcmp($id, $b[$i]);
            }
        }

        return count($a) <=> count($b);
    }
}
