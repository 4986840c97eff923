<?php

declare(strict_types=1);

namespace App\Stage\Calendar;

use App\Models\Role;
use App\Models\TransferSwitch;
use App\Models\User;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;

/**
 * What a calendar of a company shows, worked out once for what stands in the database: any change of a site, a sheet, hours, people or
 * absences makes another key, so nothing has to be told that it changed.
 *
 * @phpstan-type Clash array{switch: int, site: string, local: string, why: string, free: string}
 * @phpstan-type Shift array{switch: int, site: string, version: int, words: ?string, minutes: ?int, first: string}
 */
final readonly class CalendarDigest
{
    private const KEPT_S = 86_400;
    private const MOST = 600;
    private const EDITION = 1; // of what is kept

    /**
     * @param list<Clash> $clashes
     * @param list<Shift> $shifts
     */
    public function __construct(
        public string $ruler,
        public bool $isTooMany,
        public int $judged,
        public int $exercised,
        public array $clashes,
        public array $shifts,
    ) {}

    public static function cached(User $user, string $view, int $on, int $today): self
    {
        ['from' => $from, 'to' => $to] = get_object_vars(new CalendarRange($view, $on));
        $make = static fn(): self => self::of(new CalendarPage(self::switches(), $view, $on, $today));
        if ($user->role === Role::Guest) {
            return $make(); // of the sites that were named for this person
        }
        $shown = $today >= $from && $today <= $to ? $today : 0;
        $key = implode('|', ['calendar', self::EDITION, $user->company_id, $view, $from, $shown, self::fingerprint($user->company_id)]);
        /** @var array{string, bool, int, int, list<Clash>, list<Shift>} $kept */
        $kept = Cache::remember($key, self::KEPT_S, static fn(): array => array_values(get_object_vars($make())));

        return new self(...$kept);
    }

    /** @return array<int, TransferSwitch> by id */
    private static function switches(): array
    {
        $query = TransferSwitch::query();
        $query->orderBy('id')->limit(self::MOST);

        return $query->with(['site', 'sheet', 'upkeep'])->get()->keyBy('id')->all();
    }

    private static function of(CalendarPage $page): self
    {
        $clashes = $shifts = [];
        foreach ($page->clashes() as $clash) {
            $clashes[] = [
                'switch' => (int) $clash['switch'], 'site' => $clash['site'], 'local' => str_replace('T', ' ', $clash['local']),
                'why' => $clash['why'] . ($clash['beside'] === '' ? '' : ": {$clash['beside']}"), 'free' => CalendarPage::free($clash),
            ];
        }
        foreach ($page->shifts() as ['switch' => $switch, 'minutes' => $minutes, 'first' => $first]) {
            $shifts[] = [
                'switch' => $switch->id, 'site' => $switch->site->name, 'version' => $switch->sheet->version ?? 0,
                'words' => $minutes === null ? null : CalendarPage::shiftWords($minutes), 'minutes' => $minutes, 'first' => $first,
            ];
        }

        return new self(
            $page->ruler()->svg(),
            $page->fleet->isTooMany,
            $page->fleet->judged,
            count($page->fleet->calendars),
            $clashes,
            $shifts,
        );
    }

    /** Of every row that a calendar is made from. Sheets are never changed, only added. */
    private static function fingerprint(int $company): string
    {
        $parts = [
            'sites' => ['id', 'name', 'timezone', 'installation'], 'switches' => ['id', 'site_id'], 'sheets' => ['id', 'switch_id'],
            'upkeeps' => ['id', 'switch_id', 'attends_user_id', 'noise_group', 'sleep_from', 'sleep_to', 'business_from', 'business_to'],
            'absences' => ['id', 'user_id', '`from`', '`to`'], 'work_profiles' => ['id', 'user_id', 'days', '`from`', '`to`'],
        ];
        $selects = [];
        foreach ($parts as $table => $columns) {
            $row = implode(', ', array_map(static fn(string $column): string => "COALESCE($column, '~')", $columns));
            $selects[] = "(SELECT CONCAT_WS('-', COUNT(*), BIT_XOR(CRC32(CONCAT_WS('|', $row))), SUM(CRC32(CONCAT_WS('/', $row, 'x')))) "
                . "FROM $table WHERE company_id = $company)";
        }
        $found = (array) DB::selectOne('SELECT CONCAT_WS(\'|\', ' . implode(', ', $selects) . ') AS whole');

        return hash('sha256', is_string($found['whole'] ?? null) ? $found['whole'] : '');
    }
}
