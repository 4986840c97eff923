<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;

/**
 * Whether this node can serve: 200 with a database that answers, else 503. It says who it is, so that a stranger on the port is none of
 * ours. What an operator asks beside that (queue, disk, clock, last backup) is answered to this machine only, and never makes it 503: a
 * node that serves is not taken away because a backup is late.
 */
final readonly class HealthCheck
{
    private const WAITS_MIN = 15;
    private const FREE_MB = 500;
    private const CLOCK_S = 2;
    private const BACKUP_H = 26;

    public function __invoke(Request $request): Response
    {
        try {
            $database = DB::selectOne('SELECT UNIX_TIMESTAMP(UTC_TIMESTAMP(3)) + 0 AS now');
        } catch (\Throwable) {
            return self::answer("escapement: no database\n", 503);
        }
        $lines = ['escapement: up'];
        if (in_array($request->server('REMOTE_ADDR'), ['127.0.0.1', '::1'], true) && ! $request->headers->has('X-Forwarded-For')) {
            array_push($lines, self::queue(), self::disk(), self::clock($database), self::backup());
        }

        return self::answer(implode("\n", $lines) . "\n", 200);
    }

    private static function answer(string $words, int $status): Response
    {
        return response($words, $status, ['Content-Type' => 'text/plain', 'Cache-Control' => 'no-store']);
    }

    private static function queue(): string
    {
        $oldest = DB::table('jobs')->min('available_at');
        $minutes = is_numeric($oldest) ? max(0, intdiv(Carbon::now()->getTimestamp() - (int) $oldest, 60)) : 0;
        $failed = DB::table('failed_jobs')->count();
        $waiting = DB::table('jobs')->count();

        return self::line('queue', $minutes < self::WAITS_MIN && $failed === 0, "$waiting waiting, the oldest $minutes min, "
            . "$failed failed");
    }

    private static function disk(): string
    {
        $free = disk_free_space(storage_path());
        $mb = $free === false ? 0 : (int) ($free / 1e6);

        return self::line('disk', $mb >= self::FREE_MB, "$mb MB free");
    }

    private static function clock(mixed $database): string
    {
        $there = is_object($database) && is_numeric($database->now ?? null) ? (float) $database->now : 0.0;
        $off = abs($there - Carbon::now()->getPreciseTimestamp(3) / 1000);

        return self::line('clock', $off <= self::CLOCK_S, sprintf('%.1f s beside the database', $off));
    }

    private static function backup(): string
    {
        $times = array_map(
            static fn(string $folder): int => (int) filemtime("$folder/SHA256SUMS"),
            array_filter((array) glob(base_path('var/backups') . '/*'), static fn(mixed $one): bool => is_string($one)
                && File::exists("$one/SHA256SUMS") && File::exists("$one/heads.txt")),
        );
        if ($times === []) {
            return self::line('backup', false, 'none here');
        }
        $hours = intdiv(Carbon::now()->getTimestamp() - max($times), 3600);

        return self::line('backup', $hours <= self::BACKUP_H, "the last one that was read back is $hours h old");
    }

    private static function line(string $what, bool $isGood, string $words): string
    {
        return "$what: " . ($isGood ? 'good' : 'LOOK') . ", $words";
    }
}
