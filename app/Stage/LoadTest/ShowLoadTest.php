<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Http\Typed;
use App\Models\LoadTest;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;

/** One load test: its steps, its readings, what it proves so far. */
final readonly class ShowLoadTest
{
    public function __invoke(Request $request, LoadTest $test): View
    {
        $test = LoadTestPage::loaded($test->id);

        return view('load-test.test', ['page' => new LoadTestPage($test, (int) Typed::text($request, 'page', 6))]);
    }
}
