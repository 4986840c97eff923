<?php

declare(strict_types=1);

namespace App\Stage\Upkeep;

use App\Models\TransferSwitch;
use App\Stage\RecordingUpload;
use Escapement\Core\Recording\RecordingFault;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;

/** Looks at the beginning of a controller's event log and offers what its words could mean; nothing is kept. */
final readonly class LookAtEvents
{
    public function __invoke(Request $request, TransferSwitch $switch): View
    {
        try {
            $upload = RecordingUpload::of(RecordingUpload::files($request, 'events'), isHead: true);
            $table = EventTable::of($upload, $request);

            return view('upkeep.partials._event-words', [
                'table' => $table, 'vocabulary' => $table->vocabulary($upload->tablePieces(), true), 'fault' => null,
            ]);
        } catch (RecordingFault $fault) {
            return view('upkeep.partials._event-words', ['table' => null, 'vocabulary' => [], 'fault' => $fault->getMessage()]);
        }
    }
}
