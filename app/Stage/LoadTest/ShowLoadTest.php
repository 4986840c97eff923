<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Models\LoadTest;
use Illuminate\Contracts\View\View;

/** One load test: its steps, its readings, what it proves so far. */
final readonly class ShowLoadTest
{
    public function __invoke(LoadTest $test): View
    {
        $test = LoadTestPage::loaded($test->id);

        return view('load-test.test', ['page' => new LoadTestPage($test)]);
    }
}
