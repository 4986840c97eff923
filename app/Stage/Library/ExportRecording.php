<?php

declare(strict_types=1);

namespace App\Stage\Library;

use App\Bridge\RecordingSeries;
use App\Models\Recording;
use Escapement\Core\Recording\RecordingFile;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

/** The RMS steps of a recording, as a table or as COMTRADE. */
final readonly class ExportRecording
{
    public function __invoke(Recording $recording, string $form): Response
    {
        $series = (new RecordingSeries($recording))->series();
        $file = new RecordingFile(
            $recording->name,
            $recording->nominal_hz,
            array_map(static fn(int $phase): string => "l$phase", range(1, max(1, $recording->phases))),
        );
        $content = $form === 'csv' ? $file->csv($series) : $file->combined($series, $recording->created_at->format('d/m/Y,H:i:s.u'));
        $name = Str::slug($recording->name) . ".$form";

        return response(
            $content,
            200,
            [
                'Content-Type' => $form === 'csv' ? 'text/csv; charset=utf-8' : 'application/octet-stream',
                'Content-Disposition' => "attachment; filename=\"$name\"",
            ],
        );
    }
}
