<?php

declare(strict_types=1);

namespace App\Stage\Handover;

use App\Models\Run;
use App\Stage\SheetCell;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

/** The measured values of a run with their bands, as CSV. */
final readonly class ExportMeasurements
{
    public function __invoke(Run $run): Response
    {
        $report = new Report($run);
        $paper = fopen('php://memory', 'w+') ?: throw new \LogicException('no memory to write to');
        fputcsv($paper, ['step', 'title', 'quantity', 'unit', 'min', 'max', 'value', 'state', 'who'], escape: '');
        foreach ($report->procedure as $line) {
            $band = $line->step->band;
            if ($band !== null) {
                fputcsv(
                    $paper,
                    [
                        $line->step->id, SheetCell::text($line->step->title), $band->quantity, $band->unit, $band->min, $band->max,
                        $line->value(), $line->state->value, SheetCell::text($line->who()),
                    ],
                    escape: '',
                );
            }
        }
        rewind($paper);
        $name = Str::slug($run->switch->site->name) . "-run-$run->id-measurements.csv";

        return response(
            (string) stream_get_contents($paper),
            200,
            ['Content-Type' => 'text/csv; charset=UTF-8', 'Content-Disposition' => "attachment; filename=\"$name\""],
        );
    }
}
