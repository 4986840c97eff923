<?php

declare(strict_types=1);

namespace App\Stage\Survey;

use App\Models\Photo;
use App\Models\TransferSwitch;
use App\Models\User;
use App\Stage\KeptPhoto;
use App\Stage\Picture;
use Escapement\Core\Survey\Subject;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;

/** Keeps pictures of one subject. The same file sent again is the same picture. */
final readonly class AddPhotos
{
    private const MOST = 20;

    public function __invoke(Request $request, TransferSwitch $switch): RedirectResponse
    {
        $fields = $request->validate([
            'photos' => ['required', 'array', 'max:' . self::MOST], 'photos.*' => ['file', 'max:16384'],
            'subject' => ['required', Rule::enum(Subject::class)],
            'moment' => ['required', Rule::in(array_keys(Photo::MOMENTS))],
            'shows' => ['nullable', Rule::in((new PhotoShows($switch))->names())],
            'caption' => ['nullable', 'string', 'max:200'],
        ], [
            'photos.required' => 'Choose or take a picture.',
            'photos.max' => 'Twenty pictures at a time, at most.',
            'photos.*' => 'A picture of up to 16 MB.',
            'shows.*' => 'One of the facts given.',
            'caption.*' => 'Up to 200 characters.',
        ]);
        /** @var User $user */
        $user = $request->user();
        /** @var list<UploadedFile> $files */
        $files = array_values($fields['photos']);
        $pictures = [];
        foreach ($files as $file) {
            $pictures[] = Picture::of($file)
                ?? throw ValidationException::withMessages(['photos' => $file->getClientOriginalName()
                    . ' is no picture that can be read here: JPEG, PNG or WebP, up to 25 megapixels.']);
        }
        $columns = ['subject' => $fields['subject'], 'moment' => $fields['moment'], 'caption' => $fields['caption'] ?? null,
            'shows' => $fields['shows'] ?? null];
        DB::transaction(static function () use ($pictures, $columns, $switch, $user): void {
            foreach ($pictures as $picture) {
                if (! Photo::query()->where('switch_id', $switch->id)->where('sha256', $picture->sha256)->exists()) {
                    KeptPhoto::of($picture, $switch, $user, $columns + ['id' => (string) Str::uuid()]);
                }
            }
        });

        return redirect()->route('survey', ['site' => $switch->site_id, 'on' => 'photos', 'switch' => $switch->id])->with(
            'said',
            count($pictures) === 1 ? 'The picture is kept.' : count($pictures) . ' pictures are kept.',
        );
    }
}
