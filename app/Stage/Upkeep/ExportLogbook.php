<?php

declare(strict_types=1);

namespace App\Stage\Upkeep;

use App\Models\LogEntry;
use App\Models\TransferSwitch;
use App\Stage\CsvFile;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

/** The logbook as JSON with its record, to be checked by bin/escapement verify-record, or as CSV. */
final readonly class ExportLogbook
{
    private const HEAD = ['at_utc', 'kind', 'fields', 'note', 'by', 'source', 'struck_why'];

    public function __invoke(TransferSwitch $switch, string $form): JsonResponse|Response
    {
        $switch->load('site');
        $entries = LogEntry::of($switch->id);
        $name = Str::slug($switch->site->name) . "-logbook.$form";
        if ($form === 'json') {
            return response()->json(
                (new LogbookExport($switch, $entries))->toArray(),
                200,
                ['Content-Disposition' => "attachment; filename=\"$name\""],
                JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION,
            );
        }

        return CsvFile::download($name, self::HEAD, array_map(static fn(LogEntry $one): array => [
            $one->at->toIso8601ZuluString(), $one->kind, json_encode($one->fields, JSON_THROW_ON_ERROR), $one->note, $one->user->name,
            $one->source, $one->struck_why,
        ], $entries));
    }
}
