<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Bridge\LoadTestFacts;
use App\Models\LoadTest;
use App\Stage\CsvFile;
use Escapement\Core\LoadTest\PlannedStep;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

/** The steps of a planned load test as CSV: when, how much, and which elements of the bank are on. */
final readonly class ExportTestPlan
{
    private const HEAD = ['level_pct', 'from_s', 'to_s', 'asked_kw', 'building_and_bank_kw', 'bank_kw', 'short_kw', 'elements_on'];

    public function __invoke(LoadTest $test): Response
    {
        $elements = $test->plan['bank_elements_kw'] ?? [];
        $site = $test->switch()->firstOrFail()->site;

        return CsvFile::download(
            Str::slug($site->name) . "-load-test-$test->id-plan.csv",
            self::HEAD,
            array_map(static fn(PlannedStep $step): array => [
                $step->levelPct, $step->startS, $step->endS, round($step->targetKw, 3), round($step->kw, 3), round($step->bankKw, 3),
                round($step->shortKw, 3),
                implode(' ', array_map(static fn(int $i): string => '#' . ($i + 1) . '=' . ($elements[$i] ?? 0), $step->elements)),
            ], LoadTestFacts::planned($test->plan)->steps),
        );
    }
}
