<?php

declare(strict_types=1);

namespace App\Stage\Survey;

use App\Models\Site;
use App\Models\TransferSwitch;
use Escapement\Core\Planning\LocalPlant;
use Escapement\Core\Settings\Template\SheetTemplate;
use Illuminate\Http\RedirectResponse;

final readonly class AddSwitch
{
    public function __invoke(Site $site): RedirectResponse
    {
        $template = new SheetTemplate($site->installation);
        $switch = TransferSwitch::query()->create([
            'company_id' => $site->company_id, 'site_id' => $site->id, 'name' => 'Q' . ($site->switches()->count() + 1),
            'application' => $template->application(),
            'plant' => LocalPlant::of($site->installation, $site->units === 'metric')->toArray(), 'rated_kw' => [],
        ]);

        return redirect()->route('survey', ['site' => $site, 'switch' => $switch->id])->with('said', "Switch $switch->name is added.");
    }
}
