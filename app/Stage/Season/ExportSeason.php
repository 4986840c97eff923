<?php

declare(strict_types=1);

namespace App\Stage\Season;

use App\Models\Season;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Str;

/** What was asked and what came of it; the input is what `bin/escapement calc settings_compare` takes. */
final readonly class ExportSeason
{
    public function __invoke(Season $season): JsonResponse
    {
        abort_if($season->result === null, 404);
        $name = 'season-' . Str::slug($season->title) . '.json';

        return response()->json(
            ['title' => $season->title, 'input' => $season->input, 'result' => $season->result],
            200,
            ['Content-Disposition' => "attachment; filename=\"$name\""],
            JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE,
        );
    }
}
