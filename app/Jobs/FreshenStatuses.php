<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\User;
use App\Stage\Board\StatusBook;
use Illuminate\Contracts\Queue\ShouldBeUnique;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Auth;

/** Works out the statuses of a company that no page had the time for. */
final class FreshenStatuses implements ShouldBeUnique, ShouldQueue
{
    use Queueable;

    public int $tries = 1;
    public int $uniqueFor = 600;

    public function __construct(private readonly int $companyId) {}

    public function uniqueId(): string
    {
        return (string) $this->companyId;
    }

    public function handle(): void
    {
        $user = User::readerOf($this->companyId);
        if ($user === null) {
            return;
        }
        $before = Auth::user();
        Auth::setUser($user);
        try {
            (new StatusBook(Carbon::now()))->freshenAll();
        } finally {
            $before === null ? Auth::forgetUser() : Auth::setUser($before);
        }
    }
}
