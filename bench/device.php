<?php

declare(strict_types=1);

// Fifty installations at sixty times the speed, and reads of one unit, in one process without sockets. php bench/device.php

use App\Device\DeviceName;
use App\Device\Installation;
use App\Device\ModbusUnit;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Settings\Template\SheetTemplate;

require __DIR__ . '/../vendor/autoload.php';

$monoMs = 0;
$installations = [];
for ($i = 0; $i < 50; $i++) {
    $kind = InstallationKind::cases()[$i % 10];
    $template = new SheetTemplate($kind);
    $installation = new Installation([
        'serial' => "B-$i", 'kind' => $kind->value, 'inputs' => [], 'base_ms' => 0, 'now_ms' => 0, 'rate' => 60, 'revision' => 1,
        'last_seq' => 0,
        'spec' => [
            'system' => $template->plant()->toArray(), 'settings' => $template->settings()->toWire(),
            'loads' => [['id' => 'house', 'kw' => 6, 'priority' => 1, 'shed' => true]],
            'bench' => $template->plant()->kind->hasEngine() ? ['generator' => ['rated_kw' => 20, 'fuel' => 'lp']] : [],
        ],
    ], static function () use (&$monoMs): int {
        return $monoMs;
    });
    try {
        $installation->input(['do' => 'utility_disconnect', 'open' => true]);
    } catch (BadInput) {
        // not on this kind
    }
    $installations[] = $installation;
}
$from = hrtime(true);
for ($second = 0; $second < 60; $second++) {
    $monoMs += 1000;
    foreach ($installations as $installation) {
        $installation->sample();
    }
}
$seconds = (hrtime(true) - $from) / 1e9;
printf("50 at 60x, looked at once a second for a minute: %.1f s of one core, %.1f MB\n", $seconds, memory_get_peak_usage() / 1e6);
$unit = new ModbusUnit($installations[0], new DeviceName('B-0', 'K1'));
$count = 50_000;
$from = hrtime(true);
for ($i = 0; $i < $count; $i++) {
    $monoMs += $i % 20 === 0 ? 1 : 0;
    $unit->answer(pack('Cnn', 4, 0, 20));
}
printf("%d reads of 20 registers a second, twenty in each millisecond\n", (int) ($count / ((hrtime(true) - $from) / 1e9)));
