<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\Invitation;
use App\Models\User;
use Illuminate\Console\Command;

/** For a lead who has lost the password: nobody of the company can make the link then. */
final class ResetPerson extends Command
{
    protected $signature = 'person:reset {email : they sign in with} {--second-factor : take the second factor off as well}';
    protected $description = 'Print a one-time link by which a person chooses another password.';

    public function handle(): int
    {
        $user = User::query()->where('email', $this->text('email'))->first();
        if ($user === null) {
            $this->error('Nobody signs in with this address.');

            return self::FAILURE;
        }
        if ($this->option('second-factor') === true) {
            $user->withoutSecondFactor();
        }
        $this->line(route('join', Invitation::make(['company_id' => $user->company_id, 'user_id' => $user->id, 'role' => $user->role])));

        return self::SUCCESS;
    }

    private function text(string $name): string
    {
        $value = $this->argument($name);

        return is_scalar($value) ? trim((string) $value) : '';
    }
}
