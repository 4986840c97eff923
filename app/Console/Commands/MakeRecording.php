<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Escapement\Core\Input\Node;
use Escapement\Core\Plant\Engine;
use Escapement\Core\Plant\Plant;
use Escapement\Core\Plant\PlantKind;
use Escapement\Core\Plant\Source;
use Escapement\Core\Recording\Climate;
use Escapement\Core\Recording\DataFormat;
use Escapement\Core\Recording\RecordingFile;
use Escapement\Core\Recording\UtilityTrace;
use Escapement\Core\Wire\EventReader;
use Illuminate\Console\Command;

/** Made-up recordings to try an import with: drawn from a seed, in every form that can be read. */
final class MakeRecording extends Command
{
    protected $signature = 'recording:make {folder : where the files go} {--form=float32 : ascii, binary, binary32, float32, cff or csv}
        {--minutes=2} {--phases=2} {--volts=120} {--hertz=60} {--rate=3840 : samples a second} {--seed=7}';
    protected $description = 'Write a made-up recording of a disturbed supply.';

    public function handle(): int
    {
        $phases = max(1, min(3, (int) $this->option('phases')));
        $volts = (float) $this->option('volts');
        $hertz = (float) $this->option('hertz');
        $seed = (int) $this->option('seed');
        $untilMs = max(1, (int) $this->option('minutes')) * 60_000;
        $source = new Source($phases, $volts, $hertz);
        $events = [];
        // a very bad day
        foreach ((new Climate(500_000, 2, 500_000, 40, 1.5, 250_000, 6, 30, 0.4, 1, $seed))->disturbances($volts) as $disturbance) {
            foreach ($disturbance['events'] as $event) {
                $atMs = is_int($event['at_ms']) ? $event['at_ms'] + $disturbance['at_ms'] : 0;
                if ($atMs < $untilMs) {
                    $events[] = ['at_ms' => $atMs] + $event;
                }
            }
        }
        $plant = new Plant(PlantKind::Standby, $source, $source, new Engine(0, 0, 0, 1, 0, 0));
        $series = (new UtilityTrace($source, (new EventReader($plant, []))->events(Node::fromArray($events)), $untilMs))->series();
        $file = new RecordingFile('Made-up feeder', $hertz, array_map(static fn(int $phase): string => "l$phase", range(1, $phases)));
        $folder = rtrim($this->text($this->argument('folder')), '/');
        if (! is_dir($folder) || ! is_writable($folder)) {
            $this->error("$folder is no folder that can be written to.");

            return self::FAILURE;
        }
        $form = $this->text($this->option('form'));
        $started = '23/11/2026,09:00:00.000000';
        if ($form === 'csv' || $form === 'cff') {
            file_put_contents("$folder/made-up-$seed.$form", $form === 'csv' ? $file->csv($series) : $file->combined($series, $started));
        } else {
            $format = DataFormat::tryFrom(strtoupper($form));
            if ($format === null) {
                $this->error("There is no form \"$form\".");

                return self::FAILURE;
            }
            $made = $file->waveform($series, max(600, (int) $this->option('rate')), $format, $started, $seed);
            file_put_contents("$folder/made-up-$seed.cfg", $made['config']);
            $stream = fopen("$folder/made-up-$seed.dat", 'wb') ?: throw new \RuntimeException("$folder cannot be written to.");
            foreach ($made['data'] as $piece) {
                fwrite($stream, $piece);
            }
            fclose($stream);
        }
        $this->info("Written to $folder/made-up-$seed.*");

        return self::SUCCESS;
    }

    private function text(mixed $given): string
    {
        return is_scalar($given) ? (string) $given : '';
    }
}
