<?php

declare(strict_types=1);

namespace App\Stage\Survey;

use App\Models\Photo;
use Escapement\Core\Survey\Subject;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

final readonly class ChangePhoto
{
    public function __invoke(Request $request, Photo $photo): RedirectResponse
    {
        abort_if($photo->run_id !== null, 409, 'This picture is evidence of a run, and stays as it is.');
        $photo->update($request->validate([
            'subject' => ['required', Rule::enum(Subject::class)],
            'moment' => ['required', Rule::in(array_keys(Photo::MOMENTS))],
            'shows' => ['nullable', Rule::in((new PhotoShows($photo->switch))->names())],
            'caption' => ['nullable', 'string', 'max:200'],
        ], ['caption.*' => 'Up to 200 characters.', 'shows.*' => 'One of the facts given.']));

        return redirect()->route(
            'survey',
            ['site' => $photo->switch()->firstOrFail()->site_id, 'on' => 'photos', 'switch' => $photo->switch_id],
        )->withFragment("photo-$photo->id")->with('said', 'Saved.');
    }
}
