<?php

declare(strict_types=1);

namespace App\Stage\Rehearsal;

use App\Models\TransferSwitch;
use App\Stage\SheetCell;
use Escapement\Core\Recording\RecordingFile;
use Escapement\Core\Recording\UtilityTrace;
use Escapement\Core\Rehearsal\Because;
use Escapement\Core\Rehearsal\Event;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

/** The run as shown, to take away: the strip, its events, everything, and its utility as a recording. */
final readonly class ExportRehearsal
{
    /** What a recording of a script that never happened says for its time. */
    private const NO_DATE = '01/01/2000,00:00:00.000000';

    public function __invoke(Request $request, TransferSwitch $switch, string $form): Response
    {
        $switch->load(['site.switches', 'loads', 'plan', 'sheet', 'run.sheet', 'run.user', 'proofs']);
        abort_if($switch->sheet === null, 404);
        $bench = Bench::fromRequest($switch, $request);
        [$type, $ending, $content] = match ($form) {
            'svg' => ['image/svg+xml', 'svg', $bench->paperSvg()],
            'csv' => ['text/csv; charset=utf-8', 'csv', $this->csv($bench->tracks->result->events)],
            'utility' => ['text/csv; charset=utf-8', 'utility.csv', $this->utility($bench)],
            'cff' => ['application/octet-stream', 'cff', $this->comtrade($bench)],
            default => ['application/json', 'json', json_encode(
                ['input' => $bench->input(), 'output' => $bench->tracks->result->toArray()],
                JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE,
            )],
        };
        $name = Str::slug($switch->site->name) . '-' . Str::slug($bench->plot->title()) . ".$ending";

        return response($content, 200, ['Content-Type' => $type, 'Content-Disposition' => "attachment; filename=\"$name\""]);
    }

    private function utility(Bench $bench): string
    {
        return $this->file($bench)->csv($this->trace($bench)->series());
    }

    private function comtrade(Bench $bench): string
    {
        return $this->file($bench)->combined($this->trace($bench)->series(), self::NO_DATE);
    }

    private function file(Bench $bench): RecordingFile
    {
        $source = $bench->tracks->scenario->plant->normal;

        return new RecordingFile($bench->switch->site->name, (float) $source->nominalHz, array_map(static fn(int $phase): string => "l$phase", range(1, max(1, $source->phases))));
    }

    private function trace(Bench $bench): UtilityTrace
    {
        return new UtilityTrace($bench->tracks->scenario->plant->normal, $bench->tracks->scenario->events, $bench->tracks->untilMs);
    }

    /** @param list<Event> $events */
    private function csv(array $events): string
    {
        $because = new Because();
        $stream = fopen('php://temp', 'w+') ?: throw new \LogicException('No memory for a stream.');
        fputcsv($stream, ['t_ms', 'kind', 'keys', 'what', 'because'], escape: '');
        foreach ($events as $event) {
            $keys = implode(' ', array_map(static fn(string $key, mixed $value): string => $key . '=' . (is_bool($value) ? ($value ? 'true' : 'false') : $value), array_keys($event->keys), $event->keys));
            fputcsv(
                $stream,
                [
                    $event->tMs, $event->kind, SheetCell::text($keys), SheetCell::text($because->headline($event)),
                    SheetCell::text($because->sentence($event)),
                ],
                escape: '',
            );
        }
        rewind($stream);

        return (string) stream_get_contents($stream);
    }
}
