<?php

declare(strict_types=1);

namespace App\Stage\SiteImport;

/** What one line of the list becomes. */
final readonly class SiteLine
{
    /**
     * @param int                   $number of the line in the file
     * @param LineFate              $fate
     * @param array<string, string> $cells  by field
     * @param array<string, string> $faults by field
     * @param array<string, mixed>  $site   columns of a new site
     * @param array<string, mixed>  $switch columns of the switch
     */
    public function __construct(
        public int $number,
        public LineFate $fate,
        public array $cells,
        public array $faults = [],
        public array $site = [],
        public array $switch = [],
        public ?int $siteId = null,
    ) {}

    public function words(): string
    {
        return match ($this->fate) {
            LineFate::NewSite => "New site, {$this->site['installation']->short()}",
            LineFate::NewSwitch => 'Another switch of this site',
            LineFate::There => 'There already',
            LineFate::Faulty => implode(' ', array_unique($this->faults)),
        };
    }
}
