<?php

declare(strict_types=1);

// A strip of about 2 000 events, from its rehearsal to SVG. Run: php bench/strip.php

use App\Drawing\Strip\TimingStrip;
use Escapement\Core\Input\Node;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\Load;
use Escapement\Core\Rehearsal\Playback;
use Escapement\Core\Settings\Template\SheetTemplate;
use Escapement\Core\Wire\ScenarioReader;

require __DIR__ . '/../vendor/autoload.php';

$template = new SheetTemplate(InstallationKind::WholeHouse);
$events = [];
for ($i = 0; $i < 80; $i++) {
    $events[] = ['at_ms' => 1000 + $i * 900_000, 'do' => 'set_source', 'source' => 'normal', 'v' => 0];
    $events[] = ['at_ms' => 61_000 + $i * 900_000, 'do' => 'set_source', 'source' => 'normal', 'v' => 120];
}
$scenario = (new ScenarioReader())->scenario(Node::fromArray([
    'system' => $template->plant()->toArray(),
    'settings' => $template->settings()->toWire(),
    'events' => $events,
    'until_ms' => 80 * 900_000,
    'loads' => array_map(static fn(Load $load): array => $load->toArray(), [new Load('pump', 1.5, 1, false), new Load('heat', 5, 2, true)]),
]));
$best = INF;
for ($n = 0; $n < 5; $n++) {
    $from = hrtime(true);
    $playback = new Playback($scenario);
    $strip = new TimingStrip($playback, null, false, 664, hasGrips: true);
    $bytes = strlen($strip->plotSvg() . $strip->labelSvg());
    $best = min($best, (hrtime(true) - $from) / 1e6);
}
printf("%d events: %.1f ms to SVG, %d kB (aim: under 150 ms)\n", count($playback->result->events), $best, $bytes / 1000);
