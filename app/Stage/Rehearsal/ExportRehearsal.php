<?php

declare(strict_types=1);

namespace App\Stage\Rehearsal;

use App\Models\TransferSwitch;
use Escapement\Core\Rehearsal\Because;
use Escapement\Core\Rehearsal\Event;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

/** The run as shown, to take away: the strip as SVG, the events as CSV, everything as JSON. */
final readonly class ExportRehearsal
{
    public function __invoke(Request $request, TransferSwitch $switch, string $form): Response
    {
        $switch->load(['site.switches', 'loads', 'sheet', 'run.sheet', 'run.user', 'proof.sheet', 'proof.user']);
        abort_if($switch->sheet === null, 404);
        $bench = Bench::fromRequest($switch, $request);
        [$type, $content] = match ($form) {
            'svg' => ['image/svg+xml', $bench->paperSvg()],
            'csv' => ['text/csv; charset=utf-8', $this->csv($bench->tracks->result->events)],
            default => ['application/json', json_encode(
                ['input' => $bench->input(), 'output' => $bench->tracks->result->toArray()],
                JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE,
            )],
        };
        $name = Str::slug($switch->site->name) . "-{$bench->story->value}.$form";

        return response($content, 200, ['Content-Type' => $type, 'Content-Disposition' => "attachment; filename=\"$name\""]);
    }

    /** @param list<Event> $events */
    private function csv(array $events): string
    {
        $because = new Because();
        $stream = fopen('php://temp', 'w+') ?: throw new \LogicException('No memory for a stream.');
        fputcsv($stream, ['t_ms', 'kind', 'keys', 'what', 'because'], escape: '');
        foreach ($events as $event) {
            $keys = implode(' ', array_map(static fn(string $key, mixed $value): string => $key . '=' . (is_bool($value) ? ($value ? 'true' : 'false') : $value), array_keys($event->keys), $event->keys));
            fputcsv($stream, [$event->tMs, $event->kind, $keys, $because->headline($event), $because->sentence($event)], escape: '');
        }
        rewind($stream);

        return (string) stream_get_contents($stream);
    }
}
