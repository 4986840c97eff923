<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Models\LoadTest;
use App\Models\User;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;

final readonly class ShowReading
{
    public function __invoke(Request $request, LoadTest $test): View
    {
        /** @var User $user */
        $user = $request->user();

        return view('load-test.read', ['read' => new ReadPage(LoadTestPage::loaded($test->id), $user)]);
    }
}
