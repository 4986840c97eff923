<?php

declare(strict_types=1);

namespace App\Stage\Library;

use App\Models\Scenario;
use App\Stage\Rehearsal\ScenarioFile;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Str;

final readonly class ExportScenario
{
    public function __invoke(Scenario $scenario): JsonResponse
    {
        $name = Str::slug($scenario->name) . '.json';

        return response()->json(
            (new ScenarioFile())->write($scenario),
            200,
            ['Content-Disposition' => "attachment; filename=\"$name\""],
            JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE,
        );
    }
}
