<?php

declare(strict_types=1);

namespace App\Stage\Season;

use App\Models\Season;
use App\Models\Standing;
use App\Models\User;
use App\Stage\Settings\WriteSheet;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** The picked candidate becomes the newest version of the sheet, as proposed: only a person on site can leave it so. */
final readonly class AdoptCandidate
{
    public function __construct(private WriteSheet $sheets) {}

    public function __invoke(Request $request, Season $season): RedirectResponse
    {
        $place = (int) $request->integer('pick', -1);
        $candidates = is_array($season->input['candidates'] ?? null) ? $season->input['candidates'] : [];
        abort_unless(isset($candidates[$place]) && $season->result !== null, 404);
        $season->load('switch.sheet');
        /** @var User $user */
        $user = $request->user();
        $note = mb_substr("From a season ($season->title): {$candidates[$place]['name']}", 0, 500);
        $sheet = $this->sheets->write(
            $season->switch,
            $candidates[$place]['settings'],
            $season->switch->sheet->habits ?? [],
            Standing::Proposed,
            $note,
            $user,
            $season->switch->sheet->version ?? 0,
        );

        return $sheet === null
            ? redirect()->route('season', [$season, 'pick' => $place])->with(
                'said',
                'Somebody saved a version at this very moment. Nothing was changed; look at it first.',
            )
            : redirect()->route('sheet', $season->switch)->with('said', "Version $sheet->version is proposed, from the season.");
    }
}
