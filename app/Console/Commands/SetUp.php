<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\Invitation;
use App\Models\Role;
use App\Models\User;
use Illuminate\Console\Command;

/** Prints the link by which the first company begins; nothing where somebody has begun already. */
final class SetUp extends Command
{
    protected $signature = 'company:begin';
    protected $description = 'Print the one-time link that makes the first company and its lead.';

    public function handle(): int
    {
        if (User::query()->exists()) {
            return self::SUCCESS;
        }
        Invitation::query()->whereNull('company_id')->delete(); // an older link ends with a new one
        $this->line(route('join', Invitation::make(['role' => Role::Lead])));

        return self::SUCCESS;
    }
}
