<?php

declare(strict_types=1);

namespace App\Stage\FleetFeed;

use App\Models\FleetFeed;
use App\Stage\Once;
use Escapement\Core\Device\Feed\FeedLine;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Wire\Device\FeedReader;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/**
 * Lines of JSON that a device sends of itself, newest or out of its store; the same line again is the same. The answer says what was taken,
 * so that the device may forget it. Format: docs/formats/fleet-feed.md.
 */
final readonly class TakeReport
{
    private const MOST_LINES = 1000;
    private const MOST_BYTES = 1_000_000;
    private const AHEAD_MIN = 10;

    public function __invoke(Request $request): JsonResponse
    {
        $token = $request->bearerToken() ?? '';
        if (FleetFeed::query()->withoutGlobalScope('company')->where('token_hash', FleetFeed::hash($token))
            ->whereNull('ended_at')->doesntExist()) {
            return response()->json(['message' => 'A token of a device is needed, and this is none that opens.'], 401, [
                'WWW-Authenticate' => 'Bearer',
            ]);
        }
        $body = $request->getContent();
        $lines = array_filter(preg_split('/\r?\n/', $body) ?: [], static fn(string $line): bool => trim($line) !== '');
        if (strlen($body) > self::MOST_BYTES || count($lines) > self::MOST_LINES || $lines === []) {
            return response()->json(['message' => 'One to ' . self::MOST_LINES . ' lines, of up to 1 MB together.'], 413);
        }
        [$read, $refused] = $this->read($lines);

        return response()->json(Once::more(fn(): array => DB::transaction(fn(): array => $this->keep($token, $read))) + [
            'refused' => $refused,
        ]);
    }

    /**
     * @param array<int, string> $lines by their place
     *
     * @return array{list<FeedLine>, list<array{line: int, path: string, message: string}>}
     */
    private function read(array $lines): array
    {
        $read = $refused = [];
        $latest = Carbon::now()->addMinutes(self::AHEAD_MIN)->getTimestampMs();
        foreach ($lines as $place => $line) {
            try {
                $one = (new FeedReader())->line($line);
                if ($one->atMs > $latest) {
                    throw new BadInput('/at', 'The clock of this device is ahead: set it, and send the line again.');
                }
                $read[] = $one;
            } catch (BadInput $fault) {
                $refused[] = ['line' => $place + 1, 'path' => $fault->path, 'message' => $fault->getMessage()];
            }
        }

        return [$read, $refused];
    }

    /**
     * @param list<FeedLine> $lines
     *
     * @return array{kept: int, known: int}
     */
    private function keep(string $token, array $lines): array
    {
        $feed = FleetFeed::lockedBy($token) ?? abort(401);
        $moment = static fn(FeedLine $line): Carbon => Carbon::createFromTimestampMsUTC($line->atMs);
        $rows = [];
        foreach ($lines as $line) {
            $rows[$line->seq] = [
                'company_id' => $feed->company_id, 'fleet_feed_id' => $feed->id, 'seq' => $line->seq,
                'at' => $moment($line)->format('Y-m-d H:i:s.v'),
                'state' => json_encode($line->state + ['simulated' => $line->isSimulated], JSON_THROW_ON_ERROR),
            ];
        }
        $kept = $rows === [] ? 0 : DB::table('fleet_lines')->insertOrIgnore(array_values($rows));
        $newest = array_reduce(
            $lines,
            static fn(?FeedLine $best, FeedLine $one): FeedLine => $best === null || $one->atMs > $best->atMs ? $one : $best,
        );
        if ($newest !== null && $kept > 0 && ($feed->said_at === null || $newest->atMs > $feed->said_at->getTimestampMs())) {
            $feed->update([
                'heard_at' => Carbon::now(), 'said_at' => $moment($newest), 'came_alone' => count($lines) === 1,
                'state' => $newest->state, 'is_simulated' => $newest->isSimulated,
            ]);
        }

        return ['kept' => $kept, 'known' => count($lines) - $kept];
    }
}
