<?php

declare(strict_types=1);

namespace App\Stage\Commissioning;

use App\Bridge\UpkeepFacts;
use App\Models\TransferSwitch;
use App\Models\User;
use App\Stage\SiteStanding;
use Escapement\Core\Commissioning\Service\ServiceRows;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;

/** Begins a service visit: its procedure has what was chosen, and the isolation that goes with it. */
final readonly class BeginService
{
    public function __construct(private OpenRun $opener) {}

    public function __invoke(Request $request, TransferSwitch $switch): RedirectResponse
    {
        $switch->load(SiteStanding::NEEDS);
        abort_if($switch->sheet === null, 409, 'A visit compares with a settings sheet. Begin with the template.');
        $facts = UpkeepFacts::of($switch, Carbon::now());
        $fields = $request->validate(
            [
                'press' => ['nullable', 'uuid'], 'hazards_read' => ['accepted'], 'items' => ['array', 'max:40'],
                'items.*' => [Rule::in(ServicePage::ids($facts))], 'enclosure' => ['nullable', 'boolean'],
                'options' => ['array'], 'options.*' => ['boolean'],
            ],
            [
                'hazards_read.accepted' => 'Read the hazards first, then begin.',
                'items.*' => 'One of the items of service of this engine.',
            ],
        );
        /** @var list<string> $items */
        $items = array_values(array_unique($fields['items'] ?? []));
        $isOpened = (bool) ($fields['enclosure'] ?? false);
        if (! $isOpened && array_intersect($items, ServiceRows::inside()) !== []) {
            throw ValidationException::withMessages([
                'enclosure' => 'Contacts and witness marks are inside: choose that the enclosure is opened, or leave them out today.',
            ]);
        }
        /** @var User $user */
        $user = $request->user();
        $work = ServicePage::work($facts, $isOpened, $items);

        return redirect()->route('procedure', $this->opener->open(
            $switch,
            $user,
            0,
            $fields['options'] ?? [],
            press: $fields['press'] ?? null,
            service: ['engine' => $work->hasEngine, 'enclosure' => $work->hasEnclosure, 'items' => $work->items],
        ));
    }
}
