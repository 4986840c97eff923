<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Models\TransferSwitch;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

final readonly class PlanLoadTest
{
    public function __construct(private OpenLoadTest $opener) {}

    public function __invoke(Request $request, TransferSwitch $switch): RedirectResponse
    {
        return redirect()->route('load-test', $this->opener->open($request, $switch))->with('said', 'The test is planned.');
    }
}
