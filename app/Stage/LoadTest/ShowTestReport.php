<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Models\LoadTest;
use Illuminate\Contracts\View\View;

/** The report of a load test. */
final readonly class ShowTestReport
{
    public function __invoke(LoadTest $test): View
    {
        return view('load-test.report', ['report' => new TestReport(LoadTestPage::loaded($test->id))]);
    }
}
