<?php

declare(strict_types=1);

namespace App\Stage\Upkeep;

use App\Models\LogEntry;
use App\Models\Photo;
use App\Models\TransferSwitch;
use App\Stage\LogbookBook;
use App\Stage\Once;
use App\Stage\SentPhoto;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;

/** One picture from a device for a line of the logbook. */
final readonly class TakeEntryPhoto
{
    public function __construct(private LogbookBook $book) {}

    public function __invoke(Request $request, TransferSwitch $switch, string $entry): JsonResponse
    {
        $photo = SentPhoto::of($request);
        $fault = Once::more(fn(): ?string => DB::transaction(function () use ($switch, $photo, $entry): ?string {
            TransferSwitch::locked($switch->id);
            $known = Photo::query()->withoutGlobalScope('company')->where('id', $photo->id)->first();
            if ($known !== null) {
                return $known->log_entry_id === strtolower($entry) ? null : 'This id belongs to another entry.';
            }
            $line = LogEntry::query()->whereKey(strtolower($entry))->where('switch_id', $switch->id)->first();
            if ($line === null) {
                return 'The entry of this picture is not here yet.';
            }
            $this->book->photo($switch, $photo->sender, $line, $photo->id, $photo->picture, $photo->wall);

            return null;
        }));

        return $fault === null ? $photo->kept() : SentPhoto::refused('id', $fault);
    }
}
