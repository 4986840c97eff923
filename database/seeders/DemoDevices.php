<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Models\DeviceProfile;
use App\Models\FleetFeed;
use App\Models\TransferSwitch;
use App\Models\User;
use Escapement\Core\Device\Register\Register;
use Escapement\Core\Wire\Device\ProfileReader;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** A map of the meter that the bench ships with, to try reading with, and a gateway that reported for a day and fell silent. */
final readonly class DemoDevices
{
    private const MINUTES = 1440;
    private const EVERY_S = 300;
    /** By the bench's own word. */
    private const OURS = [
        'v_generator.0' => 'v_l1', 'v_generator.1' => 'v_l2', 'generator.a.0' => 'a_l1', 'generator.a.1' => 'a_l2', 'hz_generator' => 'hz',
        'generator.kw' => 'kw', 'oil_kpa' => 'oil_kpa', 'coolant_c' => 'coolant_c', 'battery_v' => 'battery_v', 'fuel_pct' => 'fuel_pct',
        'run_h' => 'run_h',
    ];

    public function of(User $lead, TransferSwitch $switch, Carbon $now): void
    {
        DeviceProfile::query()->create([
            'company_id' => $lead->company_id, 'user_id' => $lead->id, 'name' => 'Bench meter',
            'profile' => ['format' => ProfileReader::FORMAT, 'name' => 'Bench meter', 'rows' => self::rows()],
        ]);
        $feed = FleetFeed::query()->create([
            'company_id' => $lead->company_id, 'switch_id' => $switch->id, 'user_id' => $lead->id, 'name' => 'Cellar gateway',
            'token_hash' => FleetFeed::hash(Str::random(40)), 'interval_s' => self::EVERY_S, 'is_simulated' => true,
        ]);
        $lines = [];
        $end = $now->copy()->subHours(3)->startOfMinute();
        for ($seq = 0; $seq * self::EVERY_S < 60 * self::MINUTES; $seq++) {
            $at = $end->copy()->subMinutes(self::MINUTES)->addSeconds($seq * self::EVERY_S);
            if ($seq >= 100 && $seq < 112) {
                continue; // an hour without a word
            }
            $state = ['position' => 'normal', 'engine' => 'stopped', 'v_normal' => [120.3, 121.1], 'hz' => 60.0, 'battery_v' => 12.7];
            $lines[] = [
                'company_id' => $lead->company_id, 'fleet_feed_id' => $feed->id, 'seq' => $seq, 'at' => $at->format('Y-m-d H:i:s.v'),
                'state' => json_encode($state + ['simulated' => true], JSON_THROW_ON_ERROR),
            ];
            $feed->fill(['state' => $state, 'said_at' => $at, 'heard_at' => $at, 'came_alone' => true]);
        }
        DB::table('fleet_lines')->insert($lines);
        $feed->save();
    }

    /** @return list<array<string, mixed>> the bench's own live registers that have a place among ours */
    private static function rows(): array
    {
        $rows = [];
        /** @var list<Register> $registers */
        $registers = require base_path('core/data/live_registers.php');
        foreach ($registers as $register) {
            $quantity = self::OURS[$register->key] ?? null;
            if ($quantity !== null) {
                $rows[] = ['quantity' => $quantity, 'table' => 'input', 'address' => $register->address, 'type' => $register->type->value]
                    + ($register->places === 0 ? [] : ['scale' => 1 / 10 ** $register->places]);
            }
        }

        return $rows;
    }
}
