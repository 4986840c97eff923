<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Models\LoadTest;
use App\Models\Photo;
use App\Models\User;
use App\Stage\Maker;
use App\Stage\Once;
use App\Stage\Picture;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;

/**
 * One picture of a meter from a device, with the reading it belongs to. Its id is made on the device, so that sending twice is once;
 * one that comes after the test was closed is kept as what it is, an amendment.
 */
final readonly class TakeTestPhoto
{
    public function __construct(private TestBook $book) {}

    public function __invoke(Request $request, LoadTest $test): JsonResponse
    {
        $fields = $request->validate(
            ['id' => ['required', 'uuid'], 'reading' => ['required', 'uuid'], 'client_wall' => ['nullable', 'string', 'max:40'],
                'maker' => ['nullable', 'integer'], 'photo' => ['required', 'file', 'max:16384']],
            ['photo.*' => 'A picture of up to 16 MB.', 'id.*' => 'This must be a UUID.', 'reading.*' => 'Of which reading?'],
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
        $fault = Once::more(fn(): ?string => DB::transaction(function () use ($test, $user, $fields, $picture): ?string {
            $locked = LoadTest::locked($test->id);
            $known = Photo::query()->withoutGlobalScope('company')->where('id', $fields['id'])->first();
            if ($known !== null) {
                return $known->load_test_id === $locked->id ? null : 'This id belongs to another test.';
            }
            if (! $locked->readings()->whereKey(strtolower($fields['reading']))->exists()) {
                return 'The reading of this picture is not here yet.';
            }
            $this->book->photo(
                $locked->load('switch'),
                $user,
                $fields['id'],
                strtolower($fields['reading']),
                $picture,
                $fields['client_wall'] ?? null,
            );

            return null;
        }));

        return $fault === null ? response()->json(['kept' => $fields['id']])
            : response()->json(['error' => ['path' => '/id', 'message' => $fault]], 422);
    }
}
