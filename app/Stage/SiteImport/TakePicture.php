<?php

declare(strict_types=1);

namespace App\Stage\SiteImport;

use App\Models\Photo;
use App\Models\TransferSwitch;
use App\Models\User;
use App\Stage\KeptPhoto;
use App\Stage\Picture;
use Escapement\Core\Survey\Subject;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;

/** One picture of many, to the survey of its switch. The same picture again is the same. */
final readonly class TakePicture
{
    public function __invoke(Request $request): JsonResponse
    {
        $fields = $request->validate([
            'photo' => ['required', 'file', 'max:16384'], 'switch' => ['required', 'integer'],
            'subject' => ['required', Rule::enum(Subject::class)], 'caption' => ['nullable', 'string', 'max:200'],
        ], ['photo.*' => 'A picture of up to 16 MB.', 'switch.*' => 'Choose where it belongs.', 'subject.*' => 'Choose what it shows.']);
        $switch = TransferSwitch::query()->findOrFail((int) $fields['switch']);
        $picture = Picture::of($fields['photo']) ?? throw ValidationException::withMessages(['photo' => Picture::UNREADABLE]);
        /** @var User $user */
        $user = $request->user();
        $isNew = DB::transaction(static function () use ($picture, $switch, $user, $fields): bool {
            TransferSwitch::locked($switch->id);
            if (Photo::query()->where('switch_id', $switch->id)->where('sha256', $picture->sha256)->exists()) {
                return false;
            }
            KeptPhoto::of($picture, $switch, $user, [
                'id' => (string) Str::uuid(), 'subject' => $fields['subject'], 'moment' => 'before',
                'caption' => $fields['caption'] ?? null,
            ]);

            return true;
        });

        return response()->json(['kept' => $isNew ? 'kept' : 'there already']);
    }
}
