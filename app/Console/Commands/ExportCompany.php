<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\Company;
use App\Stage\Moving\CompanyArchive;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\File;

/** Everything of one company as a ZIP; passwords, the hashes of links and what signs messages stay behind. */
final class ExportCompany extends Command
{
    protected $signature = 'company:export {company : its number} {file : where the ZIP goes}';
    protected $description = 'Write all rows and pictures of a company to a ZIP that company:import reads.';

    public function handle(): int
    {
        $number = $this->argument('company');
        $company = is_numeric($number) ? Company::query()->find((int) $number) : null;
        $path = $this->argument('file');
        $mayBe = is_string($path) && ! File::exists($path) && File::isWritable(dirname($path));
        if ($company === null || ! $mayBe) {
            $this->error($company === null ? 'There is no such company.' : 'This file cannot be made, or is there already.');

            return self::FAILURE;
        }
        try {
            $this->info((new CompanyArchive($company))->write($path) . ' rows.');
        } catch (\RuntimeException $failed) {
            $this->error($failed->getMessage());

            return self::FAILURE;
        }

        return self::SUCCESS;
    }
}
