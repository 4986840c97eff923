<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Models\LoadTest;
use App\Stage\Paper;
use Illuminate\Http\Response;

/** The report of a load test as PDF. */
final readonly class PrintTestReport
{
    public function __invoke(LoadTest $test): Response
    {
        $report = TestReport::of($test->id);

        return Paper::of(
            view('load-test.report-pdf', ['report' => $report]),
            $report->test->switch->site,
            "load-test-$test->id",
            'record ' . substr($report->test->head, 0, 16),
        );
    }
}
