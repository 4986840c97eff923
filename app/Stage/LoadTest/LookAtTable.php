<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Bridge\LoadTestFacts;
use App\Models\LoadTest;
use App\Stage\RecordingUpload;
use Escapement\Core\Recording\RecordingFault;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;

/** Looks at the beginning of a recorder's table and offers what its columns could be; nothing is kept. */
final readonly class LookAtTable
{
    public function __invoke(Request $request, LoadTest $test): View
    {
        $phases = (new LoadTestFacts($test->switch->load(['site', 'loads', 'plan'])))->phases();
        try {
            $table = RecordingUpload::of(RecordingUpload::files($request, 'table'), isHead: true)->table();
            $choice = TableRequest::for($table->headings, $request, $phases);

            return view('load-test.partials._columns', ['choice' => $choice, 'phases' => $phases, 'fault' => null]);
        } catch (RecordingFault $fault) {
            return view('load-test.partials._columns', ['choice' => null, 'phases' => $phases, 'fault' => $fault->getMessage()]);
        }
    }
}
