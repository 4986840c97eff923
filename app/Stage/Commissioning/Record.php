<?php

declare(strict_types=1);

namespace App\Stage\Commissioning;

use App\Models\RecordEntry;
use App\Models\Run;
use App\Models\User;
use Escapement\Core\Commissioning\RecordChain;
use Illuminate\Support\Carbon;

/** Appends to the chained record of a run. To be called inside a transaction, with the run locked. */
final readonly class Record
{
    public function __construct(private RecordChain $chain) {}

    /**
     * @param array<string, mixed> $what
     * @param ?string              $deviceTime as the device says, which may be wrong
     */
    public function append(Run $run, User $user, string $kind, array $what, ?string $deviceTime = null): void
    {
        $seq = 1 + (int) RecordEntry::query()->where('run_id', $run->id)->max('seq');
        $entry = [
            'seq' => $seq, 'kind' => $kind, 'who' => $user->name, 'server_time' => Carbon::now()->toIso8601ZuluString('millisecond'),
            'device_time' => $deviceTime, 'what' => $what,
        ];
        $hash = $this->chain->hash($run->head, $entry);
        RecordEntry::query()->create([
            'company_id' => $run->company_id, 'run_id' => $run->id, 'seq' => $seq,
            'entry' => json_encode($entry, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION), 'hash' => $hash,
        ]);
        $run->update(['head' => $hash]);
    }
}
