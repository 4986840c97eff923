<?php

declare(strict_types=1);

// A strip of about 2 000 events, from its rehearsal to SVG. Run: php bench/strip.php

use App\Stage\Rehearsal\Strip\StripTracks;
use App\Stage\Rehearsal\Strip\TimingStrip;
use Escapement\Core\Rehearsal\Rehearsal;
use Escapement\Core\Site\Load;
use Escapement\Core\Template\InstallationKind;
use Escapement\Core\Template\SheetTemplate;
use Escapement\Core\Wire\Node;
use Escapement\Core\Wire\ScenarioReader;

require __DIR__ . '/../vendor/autoload.php';

$template = new SheetTemplate(InstallationKind::WholeHouse);
$events = [];
for ($i = 0; $i < 80; $i++) {
    $events[] = ['at_ms' => 1000 + $i * 900_000, 'do' => 'set_source', 'source' => 'normal', 'v' => 0];
    $events[] = ['at_ms' => 61_000 + $i * 900_000, 'do' => 'set_source', 'source' => 'normal', 'v' => 120];
}
$scenario = (new ScenarioReader())->scenario(Node::fromArray([
    'system' => $template->plant()->toArray(), 'settings' => $template->settings()->toWire(), 'events' => $events, 'until_ms' => 80 * 900_000,
    'loads' => array_map(static fn(Load $load): array => $load->toArray(), [new Load('pump', 1.5, 1, false), new Load('heat', 5, 2, true)]),
]));
$result = Rehearsal::play($scenario);
$best = INF;
for ($n = 0; $n < 5; $n++) {
    $from = hrtime(true);
    $strip = new TimingStrip(new StripTracks($scenario, $result), null, false, 664, hasGrips: true);
    $bytes = strlen($strip->plotSvg() . $strip->labelSvg());
    $best = min($best, (hrtime(true) - $from) / 1e6);
}
printf("%d events: %.1f ms to SVG, %d kB (aim: under 150 ms)\n", count($result->events), $best, $bytes / 1000);
