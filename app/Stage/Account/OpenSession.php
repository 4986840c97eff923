<?php

declare(strict_types=1);

namespace App\Stage\Account;

use App\Models\User;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/** Where somebody is signed in. The id of a session is as good as a password, so only its hash leaves the server. */
final readonly class OpenSession
{
    private const SYSTEMS = ['Android', 'iPhone', 'iPad', 'Windows', 'Macintosh', 'Linux'];

    private function __construct(
        public string $key,
        public string $device,
        public string $address,
        public Carbon $at,
        public bool $isThis,
    ) {}

    /** @return list<self> newest first */
    public static function of(User $user, string $here): array
    {
        $sessions = [];
        foreach (DB::table('sessions')->where('user_id', $user->id)->orderByDesc('last_activity')->get() as $row) {
            $agent = is_string($row->user_agent) ? $row->user_agent : '';
            $systems = array_values(array_filter(self::SYSTEMS, static fn(string $one): bool => str_contains($agent, $one)));
            $id = is_string($row->id) ? $row->id : '';
            $sessions[] = new self(
                self::keyOf($id),
                $systems[0] ?? 'Device not known',
                is_string($row->ip_address) ? $row->ip_address : 'not known',
                Carbon::createFromTimestamp(is_numeric($row->last_activity) ? (int) $row->last_activity : 0),
                $id === $here,
            );
        }

        return $sessions;
    }

    public static function keyOf(string $id): string
    {
        return substr(hash('sha256', "session|$id"), 0, 32);
    }
}
