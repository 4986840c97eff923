<?php

declare(strict_types=1);

namespace App\Stage\Bench;

use App\Models\TransferSwitch;
use Illuminate\Http\RedirectResponse;

final readonly class TakeOffBench
{
    public function __invoke(TransferSwitch $switch): RedirectResponse
    {
        BenchDesk::of($switch)?->delete();

        return redirect()->route('bench', $switch)->with('said', 'Taken down. What it logged is gone.');
    }
}
