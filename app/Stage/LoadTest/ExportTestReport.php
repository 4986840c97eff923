<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Models\LoadTest;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Str;

/** A load test with its record as JSON, to be checked by bin/escapement verify-record. */
final readonly class ExportTestReport
{
    public function __invoke(LoadTest $test): JsonResponse
    {
        $report = TestReport::of($test->id);
        $name = Str::slug($report->test->switch->site->name) . "-load-test-$test->id.json";

        return response()->json($report->toArray(), 200, [
            'Content-Disposition' => "attachment; filename=\"$name\"",
        ], JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION);
    }
}
