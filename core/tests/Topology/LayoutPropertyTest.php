<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Topology;

use Eris\Generators;
use Eris\TestTrait;
use Escapement\Core\Input\Node;
use Escapement\Core\Topology\OneLineLayout;
use Escapement\Core\Topology\TopologyCheck;
use Escapement\Core\Wire\Topology\OneLineReader;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** What holds for every drawing. Rule: topology §1, §4. */
final class LayoutPropertyTest extends TestCase
{
    use TestTrait;

    #[Test]
    public function power_runs_down_and_no_two_elements_share_a_cell(): void
    {
        $this->limitTo(200)->forAll(Generators::choose(0, 2_000_000_000))->then(function (int $seed): void {
            $input = self::drawing($seed);
            $layout = json_decode(
                json_encode(
                    OneLineLayout::of((new OneLineReader())->drawing(Node::fromArray($input)))->answer()->toArray(),
                    JSON_THROW_ON_ERROR,
                ),
                true,
            );
            self::assertSame(array_column($input['elements'], 'id'), array_column($layout['cells'], 'id'));
            $cells = array_map(static fn(array $cell): string => "{$cell['row']} {$cell['column']}", $layout['cells']);
            self::assertSame($cells, array_unique($cells), 'two elements on one cell');
            foreach ($layout['edges'] as $edge) {
                self::assertTrue($edge['back'] || $edge['from_cell'][0] < $edge['to_cell'][0], 'an edge that is not drawn down');
            }
            self::assertCount(count($input['links']), $layout['edges']);
            self::assertSame(1 + max(array_column($layout['cells'], 'row')), $layout['rows']);
            self::assertGreaterThan(max(array_column($layout['cells'], 'column')), $layout['columns']);
        });
    }

    #[Test]
    public function opening_more_never_makes_more_live_and_no_load_is_both_dead_and_fed(): void
    {
        $this->limitTo(60)->forAll(Generators::choose(0, 2_000_000_000))->then(function (int $seed): void {
            $input = self::drawing($seed);
            $devices = ['d', 's.main', 'p.main'];
            $result = json_decode(
                json_encode(
                    TopologyCheck::of((new OneLineReader())->whole(
                        Node::fromArray($input + ['isolations' => [['open' => $devices]]]),
                    ))->answer()->toArray(),
                    JSON_THROW_ON_ERROR,
                ),
                true,
            );
            $all = array_pop($result['still_live']);
            foreach ($result['still_live'] as $one) {
                foreach ($all['live'] as $node => $sources) {
                    if (in_array($one['open'][0], $devices, true)) {
                        self::assertSame(
                            [],
                            array_diff($sources, $one['live'][$node] ?? []),
                            "$node is live with more open and dead with less",
                        );
                    }
                }
            }
            foreach ($result['states'] as $state) {
                self::assertSame([], array_intersect($state['dead_loads'], array_keys($state['energised'])));
                foreach ($state['energised'] as $sources) {
                    self::assertSame([], array_diff($sources, $state['live']));
                }
            }
        });
    }

    /** @return array{system: string, elements: list<array<string, mixed>>, links: list<array<string, string>>} */
    private static function drawing(int $seed): array
    {
        $random = new Randomizer(new Mt19937($seed));
        $elements = [
            ['id' => 'u', 'type' => 'source', 'kind' => 'utility'],
            ['id' => 'm', 'type' => 'meter'],
            ['id' => 'g', 'type' => 'source', 'kind' => 'generator', 'breaker_a' => 80],
            ['id' => 'd', 'type' => 'disconnect', 'rating_a' => 200, 'service' => true],
            [
                'id' => 's',
                'type' => 'switch',
                'kind' => 'motor',
                'poles' => 2,
                'neutral' => 'solid',
                'rating_a' => 200,
                'main_a' => 200,
                'has_off' => $random->getInt(0, 1) === 1,
            ],
            [
                'id' => 'p',
                'type' => 'panel',
                'role' => 'sub',
                'rating_a' => 200,
                'main_a' => 200,
                'breakers' => array_map(static fn(int $i): array => ['id' => "b$i", 'rating_a' => 20], range(1, 8)),
            ],
        ];
        $links = [
            ['from' => 'u', 'to' => 'm'],
            ['from' => 'm', 'to' => 'd'],
            ['from' => 'd', 'to' => 's.normal'],
            ['from' => 'g', 'to' => 's.emergency'],
            ['from' => 's', 'to' => 'p'],
        ];
        for ($i = 1; $i <= $random->getInt(1, 8); $i++) {
            $type = ['load', 'load', 'panel', 'shed'][$random->getInt(0, 3)];
            $elements[] = ['id' => "e$i", 'type' => $type] + match ($type) {
                'load' => ['phases' => ['L1'], 'va' => 100],
                'panel' => ['role' => 'sub', 'rating_a' => 100, 'breakers' => [['id' => 'b', 'rating_a' => 20]]],
                default => ['closed' => $random->getInt(0, 1) === 1],
            };
            $links[] = ['from' => "p.b$i", 'to' => "e$i"];
            if ($type !== 'load') {
                $elements[] = ['id' => "f$i", 'type' => 'load', 'phases' => ['L2'], 'va' => 50];
                $links[] = ['from' => $type === 'panel' ? "e$i.b" : "e$i", 'to' => "f$i"];
            }
        }

        return ['system' => 'split', 'elements' => $elements, 'links' => $random->shuffleArray($links)];
    }
}
