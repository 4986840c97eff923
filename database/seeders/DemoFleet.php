<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Models\Absence;
use App\Models\LoadItem;
use App\Models\Role;
use App\Models\Site;
use App\Models\Standing;
use App\Models\TransferSwitch;
use App\Models\Upkeep;
use App\Models\User;
use App\Models\WorkProfile;
use App\Stage\Settings\WriteSheet;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Settings\Template\SheetTemplate;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Ramsey\Uuid\Uuid;

/** The rest of a fleet: sites that were commissioned before this company kept its records here, with two years of logbook. */
final readonly class DemoFleet
{
    private const WEEKS = 104;
    /**
     * Name, kind, fuel, kW, cooling, months since it was installed, months since the battery, place, every so many weeks an exercise is
     * missed.
     */
    private const SITES = [
        ['Heron Lane 7', 'K1', 'natural_gas', 14, 'air', 40, 40, [44.64, -68.15], 17],
        ['Heron Lane 22', 'K1', 'lp', 18, 'air', 26, 26, [44.64, -68.16], 52],
        ['Pilot House Inn', 'K3', 'lp', 38, 'liquid', 63, 20, [44.59, -68.2], 23],
        ['Cask Street bakery', 'K2', 'natural_gas', 11, 'air', 31, 31, [44.71, -68.27], 9],
        ['Ferry Point ticket hall', 'K1', 'diesel', 22, 'liquid', 88, 30, [44.52, -68.36], 41],
        ['Sorrel Farm dairy', 'K8', 'diesel', 60, 'liquid', 51, 15, [44.86, -68.11], 33],
        ['Windrow grain dryer', 'K8', 'diesel', 110, 'liquid', 74, 38, [44.91, -68.3], 13],
        ['Low Bridge lift station', 'K9', 'diesel', 80, 'liquid', 97, 34, [44.57, -68.09], 61],
        ['Bellwether clinic', 'K3', 'natural_gas', 45, 'liquid', 18, 18, [44.76, -68.05], 70],
        ['Cooper Hill water tower', 'K10', 'lp', 16, 'air', 44, 10, [44.8, -68.4], 26],
        ['Kestrel Court 3', 'K2', 'lp', 9, 'air', 12, 12, [44.68, -68.33], 80],
        ['Old Ropewalk workshops', 'K9', 'natural_gas', 70, 'liquid', 36, 36, [44.6, -67.95], 19],
        ['Island ferry garage', 'K4', 'petrol', 7, 'air', 22, 22, [44.49, -68.28], 7],
    ];

    public function __construct(private WriteSheet $sheets) {}

    public function of(User $rosa, User $milo, Carbon $now): void
    {
        Carbon::setTestNow($now);
        $tove = $this->third($rosa, $now);
        Absence::query()->create([
            'company_id' => $rosa->company_id, 'user_id' => $milo->id, 'from' => $now->copy()->addDays(16),
            'to' => $now->copy()->addDays(20), 'words' => 'holiday',
        ]);
        foreach (self::SITES as $i => $facts) {
            Carbon::setTestNow($now->copy()->subMonths(min(25, $facts[5])));
            $switch = $this->site($rosa->company_id, $i % 3 === 0 ? $tove : $milo, $facts);
            Carbon::setTestNow($now);
            $this->logbook($switch, $i % 3 === 0 ? $tove : $milo, $facts[5], $facts[8], $now);
        }
    }

    private function third(User $rosa, Carbon $now): User
    {
        $tove = User::query()->create([
            'company_id' => $rosa->company_id, 'name' => 'Tove Marsh', 'email' => 'tove@lantern.example', 'role' => Role::Technician,
            'password' => 'lantern-demo',
        ]);
        WorkProfile::query()->create([
            'company_id' => $rosa->company_id, 'user_id' => $tove->id, 'lat' => 44.78, 'lon' => -68.2, 'days' => ['mon', 'tue', 'thu'],
            'from' => '08:00', 'to' => '15:00', 'skills' => ['engine'],
        ]);
        Absence::query()->create([
            'company_id' => $rosa->company_id, 'user_id' => $tove->id, 'from' => $now->copy()->addDays(3), 'to' => $now->copy()->addDays(4),
            'words' => 'parental leave',
        ]);

        return $tove;
    }

    /** @param array{string, string, string, int, string, int, int, array{float, float}, int} $facts */
    private function site(int $companyId, User $author, array $facts): TransferSwitch
    {
        [$name, $mark, $fuel, $kw, $cooling, $installed, $battery, [$lat, $lon]] = $facts;
        $kind = InstallationKind::from($mark);
        $template = new SheetTemplate($kind);
        $site = Site::query()->create([
            'company_id' => $companyId, 'name' => $name, 'installation' => $kind, 'timezone' => 'America/New_York', 'units' => 'us',
            'lat' => $lat, 'lon' => $lon,
        ]);
        $switch = TransferSwitch::query()->create([
            'company_id' => $companyId, 'site_id' => $site->id, 'name' => 'Q1', 'application' => $template->application(),
            'plant' => $template->plant()->toArray(), 'service_rated' => false, 'has_compressor' => false, 'largest_motor_hp' => 0,
            'fuel' => $fuel, 'rated_kw' => [$fuel => $kw], 'rating_a' => $kw > 40 ? 400 : 200, 'survey' => [],
        ]);
        LoadItem::query()->create([
            'company_id' => $companyId, 'switch_id' => $switch->id, 'place' => 0, 'name' => 'All that is carried',
            'kw' => round(0.6 * $kw, 1), 'priority' => 1, 'must_run' => true, 'shed' => false, 'essential' => true,
        ]);
        $this->sheets->write($switch, $template->settings()->toWire(), [
            'exercise' => [
                'day' => ['mon', 'tue', 'wed', 'thu', 'fri'][$installed % 5], 'time' => ['10:00', '11:15', '14:30'][$installed % 3],
                'every' => 'weekly', 'for_min' => 15, 'with_load' => false,
            ],
            'load_tests_per_year' => 4,
        ], Standing::AsFound, 'Taken over from paper.', $author, 0);
        Upkeep::query()->create([
            'company_id' => $companyId, 'switch_id' => $switch->id, 'user_id' => $author->id, 'cooling' => $cooling, 'selector' => 'auto',
            'installed_on' => Carbon::now()->subMonths(max(0, $installed - 25)), 'school' => $kw > 40 ? 'semi_annual' : 'quarterly',
            'priority' => $kw > 40 ? 4 : 2, 'battery_installed_on' => Carbon::now()->subMonths(max(0, $battery - 25)),
        ]);

        return $switch;
    }

    /** Exercises by the week, hours and service by the half year, an outage each winter. */
    private function logbook(TransferSwitch $switch, User $author, int $months, int $missedEvery, Carbon $now): void
    {
        $weeks = min(self::WEEKS, $months * 4);
        $hours = 3.0 * $months;
        $rows = [];
        $add = static function (Carbon $at, string $kind, array $fields) use (&$rows, $switch, $author): void {
            $rows[] = [
                'id' => Uuid::uuid4()->toString(), 'company_id' => $switch->company_id, 'switch_id' => $switch->id,
                'user_id' => $author->id, 'kind' => $kind, 'at' => $at->format('Y-m-d H:i:s'), 'source' => 'person',
                'fields' => json_encode($fields, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION),
                'created_at' => $at->format('Y-m-d H:i:s'),
            ];
        };
        for ($week = $weeks; $week >= 1; $week--) {
            $at = $now->copy()->subWeeks($week)->setTime(15, 0);
            $isMissed = $week % $missedEvery === 0;
            $hours += $isMissed ? 0.0 : 0.25;
            $add($at, 'exercise', $isMissed ? ['done' => false] : ['done' => true, 'run_min' => 15]);
            if ($week % 26 === 3) {
                $add($at->copy()->addHour(), 'hours', ['hours' => round($hours, 1)]);
                $add($at->copy()->addHours(2), 'battery', ['v' => round(12.85 - 0.004 * ($weeks - $week), 2), 'state' => 'rest']);
            }
            if ($week % 52 === 29) {
                $add($at->copy()->addHours(3), 'service', [
                    'items' => ['air_filter', 'battery_test', 'charger_check', 'enclosure_exhaust'],
                ]);
            }
            if ($week % 52 === 44) {
                $hours += 5.5;
                $add($at->copy()->addDays(2), 'outage', [
                    'end' => $at->copy()->addDays(2)->addMinutes(330)->toIso8601ZuluString(), 'started' => true, 'transfer_s' => 14,
                    'return_dark_s' => 1, 'kw' => (float) round(0.4 * (float) array_values($switch->rated_kw)[0], 1),
                ]);
            }
        }
        foreach (array_chunk($rows, 500) as $some) {
            DB::table('log_entries')->insert($some);
        }
    }
}
