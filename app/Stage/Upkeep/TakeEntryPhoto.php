<?php

declare(strict_types=1);

namespace App\Stage\Upkeep;

use App\Models\LogEntry;
use App\Models\Photo;
use App\Models\TransferSwitch;
use App\Models\User;
use App\Stage\LogbookBook;
use App\Stage\Maker;
use App\Stage\Once;
use App\Stage\Picture;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;

/** One picture from a device for a line of the logbook; its id is made on the device, so that sending twice is once. */
final readonly class TakeEntryPhoto
{
    public function __construct(private LogbookBook $book) {}

    public function __invoke(Request $request, TransferSwitch $switch, string $entry): JsonResponse
    {
        $fields = $request->validate(
            ['id' => ['required', 'uuid'], 'client_wall' => ['nullable', 'string', 'max:40'], 'maker' => ['nullable', 'integer'],
                'photo' => ['required', 'file', 'max:16384']],
            ['photo.*' => 'A picture of up to 16 MB.', 'id.*' => 'This must be a UUID.'],
        );
        /** @var User $user */
        $user = $request->user();
        $stranger = Maker::fault($fields['maker'] ?? null, $user);
        if ($stranger !== null) {
            return response()->json(['error' => ['path' => "/$stranger[0]", 'message' => $stranger[1]]], 403);
        }
        $picture = Picture::of($fields['photo']);
        if ($picture === null) {
            return response()->json(['error' => ['path' => '/photo', 'message' => Picture::UNREADABLE]], 422);
        }
        $fault = Once::more(fn(): ?string => DB::transaction(function () use ($switch, $user, $fields, $picture, $entry): ?string {
            TransferSwitch::locked($switch->id);
            $known = Photo::query()->withoutGlobalScope('company')->where('id', $fields['id'])->first();
            if ($known !== null) {
                return $known->log_entry_id === strtolower($entry) ? null : 'This id belongs to another entry.';
            }
            $line = LogEntry::query()->whereKey(strtolower($entry))->where('switch_id', $switch->id)->first();
            if ($line === null) {
                return 'The entry of this picture is not here yet.';
            }
            $this->book->photo($switch, $user, $line, $fields['id'], $picture, $fields['client_wall'] ?? null);

            return null;
        }));

        return $fault === null ? response()->json(['kept' => $fields['id']])
            : response()->json(['error' => ['path' => '/id', 'message' => $fault]], 422);
    }
}
