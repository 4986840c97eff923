<?php

declare(strict_types=1);

// Speed of panels and load tests: circuits proved and played, ways balanced and scheduled, readings judged. Run: php bench/panel.php

use App\Drawing\Ink;
use App\Drawing\Ladder\LadderDrawing;
use App\Drawing\Ladder\LadderLook;
use Escapement\Core\Input\Node;
use Escapement\Core\RelayLogic\RelayCheck;
use Escapement\Core\RelayLogic\StandardCircuits;
use Escapement\Core\Wire\Calculations;
use Escapement\Core\Wire\RelayCheckReader;
use Escapement\Core\Wire\ResultWriter;

require __DIR__ . '/../vendor/autoload.php';

$best = static function (string $calc, \stdClass $input): float {
    $least = INF;
    for ($i = 0; $i < 5; $i++) {
        $node = Node::fromJson(json_encode($input, JSON_THROW_ON_ERROR));
        $from = hrtime(true);
        (new Calculations())->calc($calc, $node);
        $least = min($least, (hrtime(true) - $from) / 1e6);
    }

    return $least;
};
$cases = static function (string $chapter, string $calc): array {
    $text = (string) file_get_contents(__DIR__ . "/../core/tests/data/$chapter.cases.json");
    $all = json_decode($text, false, 512, JSON_THROW_ON_ERROR);

    return array_values(array_filter($all, static fn(\stdClass $case): bool => $case->calc === $calc && ! isset($case->expect->error)));
};

$check = $play = 0.0;
foreach ($cases('panel', 'relay_play') as $case) {
    if (! str_starts_with($case->name, 'standard')) {
        continue;
    }
    $check = max($check, $best('relay_check', $case->input->circuit));
    $case->input->script = [];
    for ($i = 0; $i < 200; $i++) {
        $event = ['at_ms' => 400_000 * $i, 'do' => $i % 2 === 0 ? 'set_supply' : 'restore', 'supply' => $case->input->circuit->preferred];
        $case->input->script[] = (object) ($event + ($i % 2 === 0 ? ['v' => 0] : []));
    }
    $case->input->until_ms = 86_400_000;
    $play = max($play, $best('relay_play', $case->input));
}
printf("slowest standard circuit searched through   %8.1f ms\n", $check);
printf("slowest played, a day with 200 disturbances %8.1f ms\n", $play);

$large = StandardCircuits::all()['c']['circuit'];
$large['devices'][] = ['id' => 'R1', 'type' => 'relay'];
$large['rungs'][] = ['id' => 'x1', 'coil' => 'R1', 'supply' => 'mains', 'when' => ['no' => 'PFM']];
foreach (['S2' => 2, 'S3' => 3] as $button => $rung) {
    $large['devices'][] = ['id' => $button, 'type' => 'pushbutton'];
    $large['rungs'][$rung]['when'] = ['any' => [$large['rungs'][$rung]['when'], ['no' => $button]]];
}
$large = Node::fromArray($large)->value;
$from = hrtime(true);
$states = ResultWriter::write((new RelayCheck())->check((new RelayCheckReader())->circuit(new Node($large))))['reachable_states'];
$ms = (hrtime(true) - $from) / 1e6;
printf("%6d states searched through              %8.1f ms, %d MB\n", $states, $ms, memory_get_peak_usage(true) >> 20);

$drawn = StandardCircuits::all()['c']['circuit'];
for ($i = 1; $i <= 12; $i++) {
    $drawn['devices'][] = ['id' => "H$i", 'type' => 'lamp'];
    $drawn['rungs'][] = ['id' => "x$i", 'coil' => "H$i", 'supply' => 'mains', 'when' => ['all' => [['no' => 'PFM'], ['nc' => 'K2']]]];
}
$drawn = (new RelayCheckReader())->circuit(Node::fromArray($drawn));
$least = INF;
for ($i = 0; $i < 5; $i++) {
    $from = hrtime(true);
    (new LadderDrawing($drawn, new LadderLook(new Ink(false), true)))->svg();
    $least = min($least, (hrtime(true) - $from) / 1e6);
}
printf("%d rungs laid out and drawn                 %8.1f ms\n", count($drawn->rungs), $least);

$ways = [];
for ($i = 0; $i < 18; $i++) {
    $ways[] = (object) ['id' => "w$i", 'connect' => ['L1', 'L2', 'L3'][$i % 3], 'a' => 3 + 7 * $i % 29];
}
printf("18 ways balanced exactly                    %8.1f ms\n", $best('phase_balance', (object) ['circuits' => $ways]));

$schedule = $cases('panel', 'feeder_schedule3')[0]->input;
$first = $schedule->ways[0];
$schedule->ways = [];
for ($i = 0; $i < 60; $i++) {
    $schedule->ways[] = (object) (['id' => "f$i"] + (array) $first);
}
printf("60 ways on two sources                      %8.1f ms\n", $best('feeder_schedule3', $schedule));

$test = $cases('loads', 'load_test_evaluate')[0]->input;
$last = $test->readings[count($test->readings) - 1];
$from = (float) $last->t_s;
for ($i = count($test->readings); $i < 5000; $i++) {
    $test->readings[] = (object) (['t_s' => $from += 5] + (array) $last);
}
printf("%d readings of a load test judged         %8.1f ms\n", count($test->readings), $best('load_test_evaluate', $test));
