<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Models\LoadTest;
use App\Stage\Paper;
use Illuminate\Http\Response;

/** The plan of a load test on one page, to hang at the bank. */
final readonly class PrintLoadTest
{
    public function __invoke(LoadTest $test): Response
    {
        $test = LoadTestPage::loaded($test->id);

        return Paper::of(view('load-test.pdf', ['page' => new LoadTestPage($test)]), $test->switch->site, 'load-test');
    }
}
