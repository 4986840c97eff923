<?php

declare(strict_types=1);

namespace App\Stage\Survey;

use App\Models\Site;
use App\Models\TransferSwitch;
use Escapement\Core\Planning\LocalPlant;
use Escapement\Core\Settings\Template\SheetTemplate;
use Illuminate\Http\RedirectResponse;
use Illuminate\Support\Facades\DB;

final readonly class CreateSite
{
    public function __invoke(SiteRequest $request): RedirectResponse
    {
        $site = DB::transaction(static function () use ($request): Site {
            $companyId = $request->user()?->company_id;
            $site = Site::query()->create($request->columns($request->validated()) + ['company_id' => $companyId]);
            $template = new SheetTemplate($site->installation);
            TransferSwitch::query()->create([
                'company_id' => $companyId, 'site_id' => $site->id, 'name' => 'Q1', 'application' => $template->application(),
                'plant' => LocalPlant::of($site->installation, $site->units === 'metric')->toArray(), 'rated_kw' => [],
            ]);

            return $site;
        });

        return redirect()->route('survey', $site)->with('said', "$site->name is begun. Fill in what you know; the rest can wait.");
    }
}
