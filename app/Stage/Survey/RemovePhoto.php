<?php

declare(strict_types=1);

namespace App\Stage\Survey;

use App\Models\Photo;
use Illuminate\Http\RedirectResponse;

final readonly class RemovePhoto
{
    public function __invoke(Photo $photo): RedirectResponse
    {
        abort_if($photo->run_id !== null, 409, 'This picture is evidence of a run, and stays as it is.');
        $switch = $photo->switch()->firstOrFail();
        $photo->delete();

        return redirect()->route(
            'survey',
            ['site' => $switch->site_id, 'on' => 'photos', 'switch' => $switch->id],
        )->with('said', 'The picture is removed.');
    }
}
