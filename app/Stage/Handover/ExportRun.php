<?php

declare(strict_types=1);

namespace App\Stage\Handover;

use App\Models\Run;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Str;

final readonly class ExportRun
{
    public function __invoke(Run $run): JsonResponse
    {
        $name = Str::slug($run->switch->site->name) . "-run-$run->id.json";

        return response()->json((new Report($run))->toArray(), 200, [
            'Content-Disposition' => "attachment; filename=\"$name\"",
        ], JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION);
    }
}
