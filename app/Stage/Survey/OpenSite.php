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
    /**
     * @param array<string, mixed> $columns of the site, as SiteRequest gives them
     * @param array<string, mixed> $switch  columns of its first switch, where more than its kind is known
     */
    public function open(int $company, array $columns, array $switch = []): Site
    {
        return DB::transaction(function () use ($company, $columns, $switch): Site {
            $site = Site::query()->create($columns + ['company_id' => $company]);
            $this->addSwitch($site, $switch + ['name' => 'Q1']);

            return $site;
        });
    }

    /** @param array<string, mixed> $columns its name at least */
    public function addSwitch(Site $site, array $columns): TransferSwitch
    {
        return TransferSwitch::query()->create($columns + [
            'company_id' => $site->company_id, 'site_id' => $site->id,
            'application' => (new SheetTemplate($site->installation))->application(),
            'plant' => LocalPlant::of($site->installation, $site->units === 'metric')->toArray(), 'rated_kw' => [],
        ]);
    }
}
