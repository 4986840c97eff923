<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Models\LoadTest;
use App\Stage\ColumnChoice;
use App\Stage\RecordingUpload;
use Escapement\Core\Recording\RecordingFault;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;

/** Looks at the beginning of a recording of load steps and offers what its columns could be; nothing is kept. */
final readonly class LookAtSteps
{
    public function __invoke(Request $request, LoadTest $test): View
    {
        $phases = max(1, min(3, (int) $request->integer('phases', 2)));
        $choice = $fault = null;
        try {
            $choice = ColumnChoice::for(RecordingUpload::of(RecordingUpload::files($request), isHead: true), $request, $phases);
        } catch (RecordingFault $e) {
            $fault = $e->getMessage();
        }

        return view('library.partials._columns', ['choice' => $choice, 'phases' => $phases, 'fault' => $fault, 'asksPower' => true]);
    }
}
