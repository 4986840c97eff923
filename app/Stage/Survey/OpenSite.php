<?php

declare(strict_types=1);

namespace App\Stage\Survey;

use App\Models\Site;
use App\Models\TransferSwitch;
use Escapement\Core\Planning\LocalPlant;
use Escapement\Core\Settings\Template\SheetTemplate;
use Illuminate\Support\Facades\DB;

/** A site begins with one switch, as its kind of installation has it. */
final readonly class OpenSite
{
    /** @param array<string, mixed> $columns of the site, as SiteRequest gives them */
    public function open(int $company, array $columns): Site
    {
        return DB::transaction(static function () use ($company, $columns): Site {
            $site = Site::query()->create($columns + ['company_id' => $company]);
            $template = new SheetTemplate($site->installation);
            TransferSwitch::query()->create([
                'company_id' => $company, 'site_id' => $site->id, 'name' => 'Q1', 'application' => $template->application(),
                'plant' => LocalPlant::of($site->installation, $site->units === 'metric')->toArray(), 'rated_kw' => [],
            ]);

            return $site;
        });
    }
}
