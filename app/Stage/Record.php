<?php

declare(strict_types=1);

namespace App\Stage;

use App\Bridge\CompanyKeys;
use App\Models\LoadTest;
use App\Models\Logbook;
use App\Models\RecordEntry;
use App\Models\Run;
use App\Models\User;
use Escapement\Core\Record\RecordChain;
use Illuminate\Support\Carbon;

/** Appends to the chained record of a run, a load test or a logbook. To be called inside a transaction, with the subject's row locked. */
final readonly class Record
{
    private const AT_ONCE = 500;

    public function __construct(private RecordChain $chain, private CompanyKeys $keys) {}

    /**
     * @param array<string, mixed> $what
     * @param ?string              $deviceTime as the device says, which may be wrong
     */
    public function append(LoadTest|Logbook|Run $of, User $user, string $kind, array $what, ?string $deviceTime = null): void
    {
        $this->appendAll($of, $user, [['kind' => $kind, 'what' => $what, 'device_time' => $deviceTime]]);
    }

    /**
     * What a device has gathered without a network comes in hundreds: they are chained in their order and written together.
     *
     * @param list<array{kind: string, what: array<string, mixed>, device_time: ?string}> $happened
     */
    public function appendAll(LoadTest|Logbook|Run $of, User $user, array $happened): void
    {
        if ($happened === []) {
            return;
        }
        $last = RecordEntry::query();
        $last->where($of->recordKey(), $of->id)->orderByDesc('seq'); // from the end of the index: a maximum reads all of it
        $seq = (int) $last->value('seq');
        $hash = $of->head;
        $rows = [];
        foreach ($happened as $one) {
            $seq++;
            $entry = [
                'seq' => $seq,
                'kind' => $one['kind'],
                'who' => $user->name,
                'server_time' => Carbon::now()->toIso8601ZuluString('millisecond'),
                'device_time' => $one['device_time'], 'what' => self::asWritten($one['what']),
            ];
            $hash = $this->chain->hash($hash, $entry);
            $rows[] = [
                'company_id' => $of->company_id, $of->recordKey() => $of->id, 'seq' => $seq,
                'entry' => json_encode(
                    $entry,
                    JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION,
                ),
                'hash' => $hash,
            ];
        }
        foreach (array_chunk($rows, self::AT_ONCE) as $some) {
            RecordEntry::query()->insert($some);
        }
        $of->update(['head' => $hash, 'seal' => $this->keys->seal($of->company_id, $seq, $hash)->kept()]);
    }

    /**
     * The hash is of what a reader will decode: an object among arrays would be hashed with its keys as they came.
     *
     * @param array<string, mixed> $what
     */
    private static function asWritten(array $what): mixed
    {
        return json_decode(
            json_encode($what, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION),
            true,
            64,
            JSON_THROW_ON_ERROR,
        );
    }
}
