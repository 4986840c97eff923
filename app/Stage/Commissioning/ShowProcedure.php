<?php

declare(strict_types=1);

namespace App\Stage\Commissioning;

use App\Http\Typed;
use App\Models\Run;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;

final readonly class ShowProcedure
{
    public function __invoke(Request $request, Run $run): View
    {
        /** @var ?array{step: string, field: string, message: string, typed: array<string, string>} $fault */
        $fault = session('fault');

        return view('commissioning.procedure', ['page' => ProcedurePage::of($run, $fault, Typed::text($request, 'step', 120))]);
    }
}
