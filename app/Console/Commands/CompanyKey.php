<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Bridge\CompanyKeys;
use App\Models\Company;
use Illuminate\Console\Command;

/** Prints the public key of a company, for verify-record --key; or replaces the key after it was lost or seen by somebody. */
final class CompanyKey extends Command
{
    protected $signature = 'company:key {company : its number} {--replace : seal with another key from now on}';
    protected $description = 'Print the public key that the records of a company are sealed with.';

    public function handle(CompanyKeys $keys): int
    {
        $id = $this->argument('company');
        $company = is_numeric($id) ? Company::query()->find((int) $id) : null;
        if ($company === null) {
            $this->error('There is no such company.');

            return self::FAILURE;
        }
        $this->line($this->option('replace') === true ? $keys->replace($company->id) : $keys->public($company->id));

        return self::SUCCESS;
    }
}
