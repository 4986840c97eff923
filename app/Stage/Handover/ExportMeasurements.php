<?php

declare(strict_types=1);

namespace App\Stage\Handover;

use App\Models\Run;
use App\Stage\CsvFile;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

/** The measured values of a run with their bands, as CSV. */
final readonly class ExportMeasurements
{
    private const HEAD = ['step', 'title', 'quantity', 'unit', 'min', 'max', 'value', 'state', 'who'];

    public function __invoke(Run $run): Response
    {
        $report = new Report($run);
        $rows = [];
        foreach ($report->procedure as $line) {
            $band = $line->step->band;
            if ($band !== null) {
                $rows[] = [
                    $line->step->id, $line->step->title, $band->quantity, $band->unit, $band->min, $band->max, $line->value(),
                    $line->state->value, $line->who(),
                ];
            }
        }

        return CsvFile::download(Str::slug($run->switch->site->name) . "-run-$run->id-measurements.csv", self::HEAD, $rows);
    }
}
