<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Models\LoadTest;
use App\Models\Photo;
use App\Stage\Once;
use App\Stage\SentPhoto;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;

/**
 * One picture of a meter from a device, with the reading it belongs to. One that comes after the test was closed is kept as what it
 * is, an amendment.
 */
final readonly class TakeTestPhoto
{
    public function __construct(private TestBook $book) {}

    public function __invoke(Request $request, LoadTest $test): JsonResponse
    {
        $photo = SentPhoto::of($request, ['reading' => [['required', 'uuid'], 'Of which reading?']]);
        $reading = strtolower($photo->to);
        $fault = Once::more(fn(): ?string => DB::transaction(function () use ($test, $reading, $photo): ?string {
            $locked = LoadTest::locked($test->id);
            $known = Photo::query()->withoutGlobalScope('company')->where('id', $photo->id)->first();
            if ($known !== null) {
                return $known->load_test_id === $locked->id ? null : 'This id belongs to another test.';
            }
            if (! $locked->readings()->whereKey($reading)->exists()) {
                return 'The reading of this picture is not here yet.';
            }
            $this->book->photo(
                $locked->load('switch'),
                $photo->sender,
                $photo->id,
                $reading,
                $photo->picture,
                $photo->wall,
            );

            return null;
        }));

        return $fault === null ? $photo->kept() : SentPhoto::refused('id', $fault);
    }
}
