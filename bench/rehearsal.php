<?php

declare(strict_types=1);

// Speed of the engine. Run: php -d opcache.enable_cli=1 -d opcache.jit=tracing -d opcache.jit_buffer_size=64M bench/rehearsal.php

use Escapement\Core\Input\Node;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Rehearsal\Rehearsal;
use Escapement\Core\Settings\Template\SheetTemplate;
use Escapement\Core\Wire\Calculations;
use Escapement\Core\Wire\ScenarioReader;

require __DIR__ . '/../vendor/autoload.php';

$template = new SheetTemplate(InstallationKind::WholeHouse);
$scenario = static function (int $outages) use ($template): array {
    $events = [];
    for ($i = 0; $i < $outages; $i++) {
        $events[] = ['at_ms' => 1000 + $i * 3_600_000, 'do' => 'set_source', 'source' => 'normal', 'v' => 0];
        $events[] = ['at_ms' => 601_000 + $i * 3_600_000, 'do' => 'set_source', 'source' => 'normal', 'v' => 120];
    }

    return [
        'system' => $template->plant()->toArray(),
        'settings' => $template->settings()->toWire(),
        'events' => $events,
        'until_ms' => $outages * 3_600_000,
    ];
};
$best = static function (int $times, callable $do): float {
    $least = INF;
    for ($i = 0; $i < $times; $i++) {
        $from = hrtime(true);
        $do();
        $least = min($least, (hrtime(true) - $from) / 1e6);
    }

    return $least;
};

$thousand = (new ScenarioReader())->scenario(Node::fromArray($scenario(1000)));
$events = count(Rehearsal::play($thousand)->events);
$ms = $best(7, static fn() => Rehearsal::play($thousand));
printf(
    "1000 outages, %d events: %.1f ms in the core, %.0f events/s (aim: under 100 ms, 250 000 events/s)\n",
    $events,
    $ms,
    $events / $ms * 1000,
);

$many = (new ScenarioReader())->scenario(Node::fromArray($scenario(8000)));
$events = count(Rehearsal::play($many)->events);
$ms = $best(5, static fn() => (new Rehearsal($many))->run());
printf("8000 outages, metrics only, %d events: %.1f ms, %.0f events/s\n", $events, $ms, $events / $ms * 1000);

$disturbances = [];
for ($i = 0; $i < 5000; $i++) {
    $disturbances[] = ['at_ms' => $i * 3_600_000, 'events' => [
        ['at_ms' => 0, 'do' => 'set_source', 'source' => 'normal', 'v' => 0],
        ['at_ms' => 1000 * (1 + $i % 400), 'do' => 'set_source', 'source' => 'normal', 'v' => 120],
    ]];
}
$candidates = [];
for ($i = 1; $i <= 20; $i++) {
    $candidates[] = ['name' => "c$i", 'settings' => ['return_delay_ms' => 15_000 * $i] + $template->settings()->toWire()];
}
$season = Node::fromArray([
    'system' => $template->plant()->toArray(),
    'candidates' => $candidates,
    'disturbances' => $disturbances,
    'until_ms' => 18_000_000_000,
]);
$ms = $best(1, static fn() => (new Calculations())->calc('settings_compare', $season));
printf(
    "season of 5000 disturbances through 20 candidates: %.1f s, peak %.0f MB (aim: under 20 s on two cores, 128 MB)\n",
    $ms / 1000,
    memory_get_peak_usage(true) / 1e6,
);
