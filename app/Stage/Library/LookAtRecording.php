<?php

declare(strict_types=1);

namespace App\Stage\Library;

use App\Stage\ColumnChoice;
use App\Stage\RecordingUpload;
use Escapement\Core\Recording\RecordingFault;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;

/** Looks at the beginning of a chosen file and offers what its columns could be; nothing is kept. */
final readonly class LookAtRecording
{
    public function __invoke(Request $request): View
    {
        $phases = max(1, min(3, (int) $request->integer('phases', 2)));
        try {
            $files = RecordingUpload::files($request);
            $choice = ColumnChoice::for(RecordingUpload::of($files, isHead: true), $request, $phases);

            return view('library.partials._columns', ['choice' => $choice, 'phases' => $phases, 'fault' => null]);
        } catch (RecordingFault $fault) {
            return view('library.partials._columns', ['choice' => null, 'phases' => $phases, 'fault' => $fault->getMessage()]);
        }
    }
}
