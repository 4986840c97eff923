<?php

declare(strict_types=1);

namespace App\Stage\Commissioning;

use App\Models\Run;
use Illuminate\Contracts\View\View;

/** The whole procedure as one sheet, for a desk. */
final readonly class ShowAnswerSheet
{
    public function __invoke(Run $run): View
    {
        /** @var array<string, array{field: string, message: string, typed: array<string, string>}> $faults */
        $faults = session('faults', []);

        return view('commissioning.answer-sheet', ['page' => ProcedurePage::of($run, null), 'faults' => $faults]);
    }
}
