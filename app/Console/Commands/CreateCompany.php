<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\Company;
use App\Models\Invitation;
use App\Models\Role;
use App\Models\User;
use Illuminate\Console\Command;

/** Another company on the same machine; its lead gets a link. */
final class CreateCompany extends Command
{
    protected $signature = 'company:create {name : of the company} {email : of its lead}';
    protected $description = 'Make a company and print the one-time link of its lead.';

    public function handle(): int
    {
        [$name, $email] = array_map($this->text(...), ['name', 'email']);
        $email = mb_strtolower($email);
        if ($name === '' || mb_strlen($name) > 120 || filter_var($email, FILTER_VALIDATE_EMAIL) === false) {
            $this->error('A name of 120 letters at most and an address are needed.');

            return self::INVALID;
        }
        if (User::query()->where('email', $email)->exists()) {
            $this->error('Somebody signs in with this address already.');

            return self::FAILURE;
        }
        $company = Company::query()->create(['name' => $name]);
        $this->line(route('join', Invitation::make(['company_id' => $company->id, 'email' => $email, 'role' => Role::Lead])));

        return self::SUCCESS;
    }

    private function text(string $name): string
    {
        $value = $this->argument($name);

        return is_scalar($value) ? trim((string) $value) : '';
    }
}
