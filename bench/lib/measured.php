<?php

declare(strict_types=1);

// For benchmarks that measure pages in process: the application, and a company of its own inside a transaction that the caller takes back.

use App\Models\Company;
use App\Models\Role;
use App\Models\User;
use Illuminate\Contracts\Console\Kernel as Console;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;

require __DIR__ . '/../../vendor/autoload.php';
$app = require __DIR__ . '/../../bootstrap/app.php';
$app->make(Console::class)->bootstrap();
config(['session.driver' => 'array']);
DB::beginTransaction();
$company = Company::query()->create(['name' => 'Measured']);
$user = User::query()->create([
    'company_id' => $company->id, 'name' => 'M', 'email' => 'm@measured.example', 'role' => Role::Lead,
    'password' => bin2hex(random_bytes(9)),
]);
Auth::setUser($user);

return [$app, $company, $user];
