<?php

declare(strict_types=1);

// Speed of planning: a shed plan of forty loads, a drawing of sixty elements. Run: php bench/plan.php

use Escapement\Core\Power\ShedPlan;
use Escapement\Core\Topology\OneLineLayout;
use Escapement\Core\Topology\TopologyCheck;
use Escapement\Core\Wire\Node;
use Random\Engine\Mt19937;
use Random\Randomizer;

require __DIR__ . '/../vendor/autoload.php';

$best = static function (callable $do): float {
    $least = INF;
    for ($i = 0; $i < 5; $i++) {
        $from = hrtime(true);
        $do();
        $least = min($least, (hrtime(true) - $from) / 1e6);
    }

    return $least;
};
$worst = ['equal weights' => 0.0, 'mixed weights' => 0.0];
foreach (range(1, 40) as $seed) {
    $random = new Randomizer(new Mt19937($seed));
    foreach (array_keys($worst) as $name) {
        $loads = [];
        for ($i = 0; $i < 40; $i++) {
            $loads[] = ['id' => sprintf('load-%02d', $i), 'kw' => $random->getInt(2, 60) / 10, 'connect' => ['L1', 'L2', 'L1L2'][$i % 3]] + ($name === 'mixed weights' ? ['weight' => $random->getInt(1, 99)] : []);
        }
        $input = Node::fromArray(['usable_kw' => 40, 'leg_limit_a' => [180, 170], 'loads' => $loads]);
        $from = hrtime(true);
        (new ShedPlan())->answer($input);
        $worst[$name] = max($worst[$name], (hrtime(true) - $from) / 1e6);
    }
}
foreach ($worst as $name => $ms) {
    printf("shed plan of 40 loads, %s: worst of forty %.0f ms (aim: under 100 ms)\n", $name, $ms);
}
$elements = [
    ['id' => 'u', 'type' => 'source', 'kind' => 'utility'], ['id' => 'g', 'type' => 'source', 'kind' => 'generator', 'breaker_a' => 100], ['id' => 'd', 'type' => 'disconnect', 'rating_a' => 400, 'service' => true],
    ['id' => 's', 'type' => 'switch', 'kind' => 'motor', 'poles' => 2, 'neutral' => 'solid', 'rating_a' => 400],
    ['id' => 'p', 'type' => 'panel', 'role' => 'sub', 'rating_a' => 400, 'main_a' => 200, 'breakers' => array_map(static fn(int $i): array => ['id' => "b$i", 'rating_a' => 20], range(1, 60))],
];
$links = [['from' => 'u', 'to' => 'd'], ['from' => 'd', 'to' => 's.normal'], ['from' => 'g', 'to' => 's.emergency'], ['from' => 's', 'to' => 'p']];
for ($i = 1; $i <= 55; $i++) {
    $elements[] = ['id' => "l$i", 'type' => 'load', 'phases' => ['L1'], 'va' => 100];
    $links[] = ['from' => "p.b$i", 'to' => "l$i"];
}
$drawing = Node::fromArray(['system' => 'split', 'elements' => $elements, 'links' => $links]);
printf("topology of 60 elements: %.1f ms\n", $best(static fn() => TopologyCheck::read($drawing)->answer()));
printf("layout of 60 elements: %.1f ms (aim: laid out and drawn under 50 ms)\n", $best(static fn() => OneLineLayout::read($drawing)->answer()));
