<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Models\LoadTest;
use App\Stage\Board\KeptTrain;
use Illuminate\Contracts\View\View;

/** The report of a load test. */
final readonly class ShowTestReport
{
    public function __invoke(LoadTest $test): View
    {
        $report = TestReport::of($test->id);
        $switch = $report->test->switch;

        return view('load-test.report', ['report' => $report, 'standing' => new KeptTrain($switch)]);
    }
}
