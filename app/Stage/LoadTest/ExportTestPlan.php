<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Bridge\LoadTestFacts;
use App\Models\LoadTest;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

/** The steps of a planned load test as CSV: when, how much, and which elements of the bank are on. */
final readonly class ExportTestPlan
{
    private const HEAD = ['level_pct', 'from_s', 'to_s', 'asked_kw', 'building_and_bank_kw', 'bank_kw', 'short_kw', 'elements_on'];

    public function __invoke(LoadTest $test): Response
    {
        $elements = $test->plan['bank_elements_kw'] ?? [];
        $paper = fopen('php://memory', 'w+') ?: throw new \LogicException('no memory to write to');
        fputcsv($paper, self::HEAD, escape: '');
        foreach (LoadTestFacts::planned($test->plan)->steps as $step) {
            fputcsv($paper, [
                $step->levelPct, $step->startS, $step->endS, round($step->targetKw, 3), round($step->kw, 3), round($step->bankKw, 3),
                round($step->shortKw, 3),
                implode(' ', array_map(static fn(int $i): string => '#' . ($i + 1) . '=' . ($elements[$i] ?? 0), $step->elements)),
            ], escape: '');
        }
        rewind($paper);
        $site = $test->switch()->firstOrFail()->site;

        return response((string) stream_get_contents($paper), 200, [
            'Content-Type' => 'text/csv; charset=utf-8',
            'Content-Disposition' => 'attachment; filename="' . Str::slug($site->name) . "-load-test-$test->id-plan.csv\"",
        ]);
    }
}
