<?php

declare(strict_types=1);

namespace App\Stage\Rehearsal;

use App\Models\TransferSwitch;
use App\Stage\CsvFile;
use Escapement\Core\Recording\RecordingFile;
use Escapement\Core\Recording\UtilityTrace;
use Escapement\Core\Rehearsal\RehearsalResult;
use Escapement\Core\Simulation\Event;
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
        $bench = RehearsalPage::fromRequest($switch, $request);
        [$type, $ending, $content] = match ($form) {
            'svg' => ['image/svg+xml', 'svg', $bench->paperSvg()],
            'csv' => ['text/csv; charset=utf-8', 'csv', $this->csv($bench->playback->result)],
            'utility' => ['text/csv; charset=utf-8', 'utility.csv', $this->utility($bench)],
            'cff' => ['application/octet-stream', 'cff', $this->comtrade($bench)],
            default => ['application/json', 'json', json_encode(
                ['input' => $bench->input(), 'output' => $bench->playback->result->toArray()],
                JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE,
            )],
        };
        $name = Str::slug($switch->site->name) . '-' . Str::slug($bench->plot->title()) . ".$ending";

        return response($content, 200, ['Content-Type' => $type, 'Content-Disposition' => "attachment; filename=\"$name\""]);
    }

    private function utility(RehearsalPage $bench): string
    {
        return $this->file($bench)->csv($this->trace($bench)->series());
    }

    private function comtrade(RehearsalPage $bench): string
    {
        return $this->file($bench)->combined($this->trace($bench)->series(), self::NO_DATE);
    }

    private function file(RehearsalPage $bench): RecordingFile
    {
        $source = $bench->playback->scenario->plant->normal;

        return new RecordingFile(
            $bench->switch->site->name,
            (float) $source->nominalHz,
            array_map(static fn(int $phase): string => "l$phase", range(1, max(1, $source->phases))),
        );
    }

    private function trace(RehearsalPage $bench): UtilityTrace
    {
        return new UtilityTrace($bench->playback->scenario->plant->normal, $bench->playback->scenario->events, $bench->playback->untilMs);
    }

    private function csv(RehearsalResult $result): string
    {
        $names = $result->names();

        return CsvFile::text(['t_ms', 'kind', 'keys', 'what', 'because'], array_map(static function (Event $event) use ($names): array {
            $keys = $event->keys();

            return [
                $event->tMs, $event->kind()->value, implode(' ', array_map(self::pair(...), array_keys($keys), $keys)),
                $event->headline($names), $event->because($names),
            ];
        }, $result->events));
    }

    private static function pair(string $key, mixed $value): string
    {
        return "$key=" . (is_scalar($value) ? (is_bool($value) ? ($value ? 'true' : 'false') : $value) : '');
    }
}
