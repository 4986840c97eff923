<?php

declare(strict_types=1);

namespace App\Stage\Plan;

use App\Models\Standing;
use App\Models\TransferSwitch;
use App\Models\User;
use App\Stage\Settings\WriteSheet;
use App\Stage\SiteStanding;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** The shedding of the plan becomes the newest version of the sheet, as proposed: only a person on site can leave it so. */
final readonly class PutShedding
{
    public function __construct(private WriteSheet $sheets) {}

    public function __invoke(Request $request, TransferSwitch $switch): RedirectResponse
    {
        $switch->load(SiteStanding::NEEDS);
        $page = new SheddingPage($switch);
        if ($switch->sheet === null || $page->usableKw <= 0) {
            return redirect()->route('shedding', $switch)->with(
                'said',
                'Nothing is changed: the switch has no sheet yet, or the source is not known.',
            );
        }
        /** @var User $user */
        $user = $request->user();
        $sheet = $this->sheets->write(
            $switch,
            ['load_shed' => $page->proposed()] + $switch->sheet->settings,
            $switch->sheet->habits,
            Standing::Proposed,
            'Shedding from the plan.',
            $user,
            $request->integer('seen'),
        );

        return $sheet === null
            ? redirect()->route('shedding', $switch)->with(
                'said',
                'Somebody saved a version at this very moment. Nothing was changed; look at it first.',
            )
            : redirect()->route('sheet', $switch)->with('said', "Version $sheet->version is proposed, with the shedding of the plan.");
    }
}
