<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\TransferSwitch;
use App\Models\User;
use App\Stage\Upkeep\LogbookState;
use Illuminate\Contracts\Queue\ShouldBeUnique;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\Auth;

/** Holds a long logbook against its record. */
final class CheckLogbook implements ShouldBeUnique, ShouldQueue
{
    use Queueable;

    public int $tries = 1;
    public int $uniqueFor = 600;

    public function __construct(private readonly int $switchId) {}

    public function uniqueId(): string
    {
        return (string) $this->switchId;
    }

    public function handle(): void
    {
        $switch = TransferSwitch::query()->withoutGlobalScopes()->find($this->switchId);
        $user = $switch === null ? null : User::readerOf($switch->company_id);
        if ($switch === null || $user === null) {
            return;
        }
        $before = Auth::user();
        Auth::setUser($user);
        try {
            LogbookState::check($switch->load('site'));
        } finally {
            $before === null ? Auth::forgetUser() : Auth::setUser($before);
        }
    }
}
