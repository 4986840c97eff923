<?php

declare(strict_types=1);

namespace App\Device;

use App\Models\Bench;
use Escapement\Core\Input\BadInput;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Log;

/** What the daemon reads of the benches and writes down: one row each, written whole, so that a kill leaves the old or the new. */
final readonly class BenchStore
{
    private const HEALTH = 'bench.health';
    private const HEALTH_KEPT_S = 60;

    /**
     * Whether this daemon is the one that writes here: two would each write over what the other was told. The database forgets the
     * claim with the connection, so that a daemon that was killed is followed at once.
     */
    public function claim(): bool
    {
        $name = 'bench/' . DB::connection()->getDatabaseName();
        $owner = DB::scalar('SELECT IS_USED_LOCK(?) = CONNECTION_ID()', [$name]);

        return (int) $owner === 1 || (int) DB::scalar('SELECT GET_LOCK(?, 0)', [$name]) === 1;
    }

    /** @return array<int, string> what identifies each bench as it was put up, by id */
    public function present(): array
    {
        $query = Bench::query()->withoutGlobalScopes();
        $present = [];
        foreach ($query->orderBy('id')->get(['id', 'stood_at']) as $bench) {
            $present[$bench->id] = $bench->stood_at->format('Y-m-d H:i:s.v');
        }

        return $present;
    }

    /** @return null|array{Installation, int} with its place among the ports; null where it cannot be made: the log says why */
    public function read(int $id): ?array
    {
        $bench = Bench::query()->withoutGlobalScopes()->find($id);
        try {
            return $bench === null ? null : [new Installation($bench->kept, self::mono()), $bench->place];
        } catch (BadInput $bad) {
            Log::warning("The bench $id cannot be played, at $bad->path: {$bad->getMessage()}");

            return null;
        }
    }

    /** False where it could not be written; it is tried again. */
    public function write(int $id, Installation $installation): bool
    {
        try {
            DB::table('benches')->where('id', $id)->update([
                'kept' => json_encode($installation->kept(), JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION),
                'kept_at' => Carbon::now()->format('Y-m-d H:i:s.v'),
            ]);
            $installation->isChanged = false;

            return true;
        } catch (\PDOException $lost) {
            Log::warning("The bench $id is not written down: {$lost->getMessage()}");

            return false;
        }
    }

    /** How the daemon is, for the page that shows it; it goes on where that cannot be written. */
    public function tellHealth(BenchHealth $health): void
    {
        try {
            Cache::put(self::HEALTH, $health->toArray(), self::HEALTH_KEPT_S);
        } catch (\PDOException) {
        }
    }

    /** Null where no daemon has said anything for a minute. */
    public function health(): ?BenchHealth
    {
        $told = Cache::get(self::HEALTH);

        return is_array($told) ? BenchHealth::fromArray($told) : null;
    }

    /** @return \Closure(): int ms of a clock that nobody sets */
    public static function mono(): \Closure
    {
        return static fn(): int => intdiv(hrtime(true), 1_000_000);
    }
}
