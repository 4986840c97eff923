<?php

declare(strict_types=1);

namespace App\Stage\Upkeep;

use App\Models\LogEntry;
use App\Models\TransferSwitch;
use App\Stage\SheetCell;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

/** The logbook as JSON with its record, to be checked by bin/escapement verify-record, or as CSV. */
final readonly class ExportLogbook
{
    public function __invoke(TransferSwitch $switch, string $form): JsonResponse|Response
    {
        $switch->load('site');
        $entries = LogEntry::of($switch->id);
        $name = Str::slug($switch->site->name) . "-logbook.$form";
        $attachment = ['Content-Disposition' => "attachment; filename=\"$name\""];
        if ($form === 'json') {
            return response()->json(
                (new LogbookExport($switch, $entries))->toArray(),
                200,
                $attachment,
                JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION,
            );
        }
        $paper = fopen('php://memory', 'w+') ?: throw new \LogicException('no memory to write to');
        fputcsv($paper, ['at_utc', 'kind', 'fields', 'note', 'by', 'source', 'struck_why'], escape: '');
        foreach ($entries as $one) {
            fputcsv($paper, [
                $one->at->toIso8601ZuluString(), $one->kind, json_encode($one->fields, JSON_THROW_ON_ERROR),
                SheetCell::text((string) $one->note),
                SheetCell::text($one->user->name), $one->source, SheetCell::text((string) $one->struck_why),
            ], escape: '');
        }
        rewind($paper);

        return response((string) stream_get_contents($paper), 200, $attachment + ['Content-Type' => 'text/csv; charset=utf-8']);
    }
}
