<?php

declare(strict_types=1);

namespace Database\Factories;

use App\Models\Company;
use App\Models\Role;
use App\Models\User;

/** People of made-up companies, each in a company of their own. */
final class UserFactory
{
    public static function make(Role $role = Role::Technician, ?int $companyId = null): User
    {
        $number = User::query()->count() + 1;

        return User::query()->create([
            'company_id' => $companyId ?? Company::query()->create(['name' => "Company $number"])->id,
            'name' => "Person Number$number",
            'email' => "person$number@company.example",
            'password' => 'a long enough secret',
            'role' => $role,
        ])->refresh();
    }
}
