<?php

declare(strict_types=1);

namespace App\Stage\Library;

use App\Models\Recording;
use App\Models\Site;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;

final readonly class ShowRecording
{
    public function __invoke(Request $request, Recording $recording): View
    {
        $sites = Site::query()->with('switches.sheet')->get()->sortBy('name');
        $page = new RecordingPage($recording, $sites, (int) $request->integer('from'), (int) $request->integer('to'));

        return view($request->hasHeader('HX-Request') ? 'library.partials._recording' : 'library.recording', ['page' => $page]);
    }
}
