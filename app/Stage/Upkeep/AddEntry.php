<?php

declare(strict_types=1);

namespace App\Stage\Upkeep;

use App\Models\Photo;
use App\Models\TransferSwitch;
use App\Models\User;
use App\Stage\LogbookBook;
use App\Stage\Picture;
use App\Stage\SiteStanding;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use Ramsey\Uuid\Uuid;

/** Writes a line into the logbook; the same one sent again is the same. */
final readonly class AddEntry
{
    private const MOST = 6;

    public function __construct(private LogbookBook $book) {}

    public function __invoke(Request $request, TransferSwitch $switch): RedirectResponse
    {
        $switch->load(SiteStanding::NEEDS);
        /** @var User $user */
        $user = $request->user();
        $pictures = $this->pictures($request);
        $entry = DB::transaction(function () use ($request, $switch, $user, $pictures) {
            TransferSwitch::locked($switch->id);
            $entry = (new TypedEntry($switch))->entry($request->all(), $user);
            $this->book->write($switch, $user, $entry);
            foreach ($pictures as $i => $picture) {
                $id = Uuid::uuid5(Uuid::NAMESPACE_OID, "$entry->id/$i/$picture->sha256")->toString(); // the form sent again is the same
                if (! Photo::query()->whereKey($id)->exists()) {
                    $this->book->photo($switch, $user, $entry, $id, $picture, null);
                }
            }

            return $entry;
        });

        return redirect()->route('logbook', ['switch' => $switch, 'kind' => $entry->kind])->with('said', 'Written down.');
    }

    /**
     * @return list<Picture>
     *
     * @throws ValidationException when one cannot be read: nothing is written then
     */
    private function pictures(Request $request): array
    {
        $files = $request->validate(
            ['photos' => ['nullable', 'array', 'max:' . self::MOST], 'photos.*' => ['file', 'max:16384']],
            ['photos.max' => 'Six pictures to an entry at most.', 'photos.*' => 'A picture of up to 16 MB.'],
        )['photos'] ?? [];

        return array_values(array_map(static fn(UploadedFile $file): Picture => Picture::of($file)
            ?? throw ValidationException::withMessages(['photos' => Picture::UNREADABLE]), $files));
    }
}
