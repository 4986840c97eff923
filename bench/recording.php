<?php

declare(strict_types=1);

// Reading a COMTRADE file of one million samples on four channels. Run: php bench/recording.php

use Escapement\Core\Plant\Source;
use Escapement\Core\Recording\ComtradeConfig;
use Escapement\Core\Recording\ComtradeData;
use Escapement\Core\Recording\DataFormat;
use Escapement\Core\Recording\RecordingFile;
use Escapement\Core\Recording\Reduction;
use Escapement\Core\Recording\RmsCycles;
use Escapement\Core\Recording\Series;
use Escapement\Core\Settings\Limit;
use Escapement\Core\Settings\Sensing;

require __DIR__ . '/../vendor/autoload.php';

$series = new Series(4);
for ($ms = 0; $ms < 260_000; $ms += 500) {
    $v = $ms % 20_000 === 3000 ? 0.0 : 120.0;
    $series->add($ms, [$v, $v, $v, $v], 60.0);
}
$series->untilMs = 260_420;
$pieces = static function (string $name): \Generator {
    $stream = fopen($name, 'rb') ?: throw new \RuntimeException($name);
    while (($piece = fread($stream, 262_144)) !== false && $piece !== '') {
        yield $piece;
    }
};
foreach (DataFormat::cases() as $format) {
    $name = tempnam(sys_get_temp_dir(), 'rec') ?: throw new \RuntimeException('no room');
    $made = (new RecordingFile('bench', 60.0, ['a', 'b', 'c', 'd']))->waveform($series, 3840, $format, '01/01/2026,00:00:00', 1);
    $stream = fopen($name, 'wb') ?: throw new \RuntimeException($name);
    foreach ($made['data'] as $piece) {
        fwrite($stream, $piece);
    }
    fclose($stream);
    $config = ComtradeConfig::parse($made['config']);
    memory_reset_peak_usage();
    $from = hrtime(true);
    $read = (new ComtradeData($config, [0, 1, 2, 3]))->read($pieces($name), new RmsCycles(4, 60.0, 120.0));
    $events = (new Reduction(new Source(4, 120, 60), [new Sensing(new Limit(80, 90))]))->events($read);
    printf(
        "%s: %d samples, %.1f MB file, %d events, %.2f s, peak %.0f MB (aim: under 4 s, 96 MB)\n",
        $format->value,
        $config->samples(),
        filesize($name) / 1e6,
        count($events),
        (hrtime(true) - $from) / 1e9,
        memory_get_peak_usage(true) / 1e6,
    );
    unlink($name);
}
