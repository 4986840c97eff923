<?php

declare(strict_types=1);

// Speed of planning: a shed plan of forty loads, a drawing of sixty elements, a whole plan, a day. Run: php bench/plan.php

use Escapement\Core\Input\Node;
use Escapement\Core\Planning\PowerDownTasks;
use Escapement\Core\Power\ShedPlan;
use Escapement\Core\Power\Sizing;
use Escapement\Core\Power\StepSequence;
use Escapement\Core\PowerDown\PowerDown;
use Escapement\Core\Topology\OneLineLayout;
use Escapement\Core\Topology\TopologyCheck;
use Escapement\Core\Wire\Calculations;
use Escapement\Core\Wire\Topology\OneLineReader;
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
            $loads[] = [
                'id' => sprintf('load-%02d', $i),
                'kw' => $random->getInt(2, 60) / 10,
                'connect' => ['L1', 'L2', 'L1L2'][$i % 3],
            ] + ($name === 'mixed weights' ? ['weight' => $random->getInt(1, 99)] : []);
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
    ['id' => 'u', 'type' => 'source', 'kind' => 'utility'],
    ['id' => 'g', 'type' => 'source', 'kind' => 'generator', 'breaker_a' => 100],
    ['id' => 'd', 'type' => 'disconnect', 'rating_a' => 400, 'service' => true],
    ['id' => 's', 'type' => 'switch', 'kind' => 'motor', 'poles' => 2, 'neutral' => 'solid', 'rating_a' => 400],
    [
        'id' => 'p',
        'type' => 'panel',
        'role' => 'sub',
        'rating_a' => 400,
        'main_a' => 200,
        'breakers' => array_map(static fn(int $i): array => ['id' => "b$i", 'rating_a' => 20], range(1, 60)),
    ],
];
$links = [
    ['from' => 'u', 'to' => 'd'],
    ['from' => 'd', 'to' => 's.normal'],
    ['from' => 'g', 'to' => 's.emergency'],
    ['from' => 's', 'to' => 'p'],
];
for ($i = 1; $i <= 55; $i++) {
    $elements[] = ['id' => "l$i", 'type' => 'load', 'phases' => ['L1'], 'va' => 100];
    $links[] = ['from' => "p.b$i", 'to' => "l$i"];
}
$drawing = Node::fromArray(['system' => 'split', 'elements' => $elements, 'links' => $links]);
printf("topology of 60 elements: %.1f ms\n", $best(static fn() => TopologyCheck::of((new OneLineReader())->whole($drawing))->answer()));
printf(
    "layout of 60 elements: %.1f ms (aim: laid out and drawn under 50 ms)\n",
    $best(static fn() => OneLineLayout::of((new OneLineReader())->drawing($drawing))->answer()),
);

$loads = array_map(
    static fn(int $i): array => [
        'id' => "l$i",
        'kw' => 0.2 + $i % 7 / 2,
        'connect' => ['L1', 'L2', 'L1L2'][$i % 3],
        'priority' => 1 + $i % 9,
    ],
    range(1, 60),
);
$panel = $elements[4];
$panel['breakers'] = array_slice($panel['breakers'], 0, 35);
$small = Node::fromArray([
    'system' => 'split',
    'elements' => [...array_slice($elements, 0, 4), $panel, ...array_slice($elements, 5, 35)],
    'links' => array_slice($links, 0, 39),
]);
$run = ['material' => 'cu', 'noncontinuous_a' => 80, 'ocpd_a' => 100, 'terminal_c' => 75];
$whole = static function () use ($loads, $small, $run): void {
    TopologyCheck::of((new OneLineReader())->whole($small))->answer();
    OneLineLayout::read($small)->answer();
    (new Sizing())->answer(Node::fromArray([
        'usable_kw' => 18,
        'loads' => array_map(static fn(array $load): array => array_diff_key($load, ['priority' => 0]), $loads),
    ]));
    (new ShedPlan())->answer(Node::fromArray([
        'usable_kw' => 18,
        'leg_limit_a' => [75, 75],
        'loads' => array_map(
            static fn(array $load): array => ['weight' => 1 + $load['priority'] * 7] + array_diff_key($load, ['priority' => 0]),
            $loads,
        ),
    ]));
    (new StepSequence())->answer(Node::fromArray([
        'usable_kw' => 18,
        'k_kva' => 60,
        'loads' => array_map(static fn(array $load): array => array_diff_key($load, ['connect' => 0]), $loads),
    ]));
    $calculations = new Calculations();
    for ($i = 0; $i < 30; $i++) {
        $calculations->calc('conductor', Node::fromArray($run));
        $calculations->calc(
            'voltage_drop',
            Node::fromArray([
                'circuit' => 'split_phase',
                'v' => 240,
                'leg1_a' => 80,
                'leg2_a' => 80,
                'material' => 'cu',
                'size' => '3',
                'length_m' => 10 + $i,
            ]),
        );
        $calculations->calc('grounding', Node::fromArray(['egc' => ['ocpd_a' => 100, 'material' => 'cu']]));
        $calculations->calc(
            'raceway_fill',
            Node::fromArray([
                'raceway' => ['type' => 'pvc40', 'trade_size' => '1-1/4'],
                'items' => [['kind' => 'thhn', 'size' => '3', 'qty' => 3], ['kind' => 'thhn', 'size' => '8', 'qty' => 1]],
            ]),
        );
    }
};
printf("a whole plan of 40 elements, 60 loads, 30 runs: %.1f ms (aim: under 50 ms)\n", $best($whole));
$day = Node::fromArray(PowerDownTasks::usual(3, ['one', 'two', 'three', 'four'], 18));
printf("a usual power-down: %.1f ms\n", $best(static fn() => (new PowerDown())->answer($day)));
