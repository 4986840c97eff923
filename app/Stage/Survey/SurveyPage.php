<?php

declare(strict_types=1);

namespace App\Stage\Survey;

use App\Bridge\Units;
use App\Models\Site;
use App\Models\TransferSwitch;
use App\Stage\SiteStanding;

final readonly class SurveyPage
{
    public Units $units;
    public SiteStanding $standing;

    public function __construct(public Site $site, public ?TransferSwitch $switch)
    {
        $this->units = new Units($site->units);
        $this->standing = new SiteStanding($site, $switch);
    }

    /** @return list<string> */
    public function missing(): array
    {
        return array_keys(array_filter($this->standing->surveyed(), static fn(bool $isThere): bool => ! $isThere));
    }

    public function altitude(): string
    {
        return $this->site->altitude_m === null ? '' : (string) round($this->units->fromMetres((float) $this->site->altitude_m));
    }

    public function runningKw(): float
    {
        return round((float) $this->switch?->loads->sum(static fn($load): float => (float) $load->kw), 3);
    }
}
