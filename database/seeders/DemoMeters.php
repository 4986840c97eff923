<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Models\CapacitorBank;
use App\Models\MeterReading;
use App\Models\TransferSwitch;
use App\Models\User;
use Illuminate\Support\Carbon;

/** The meter of a pumping station: read once as it was found, with a transformer turned round, and once after that was put right. */
final class DemoMeters
{
    public function of(TransferSwitch $switch, User $user, Carbon $now): void
    {
        $read = static fn(int $days, array $columns): MeterReading => MeterReading::query()->create($columns + [
            'company_id' => $switch->company_id, 'switch_id' => $switch->id, 'user_id' => $user->id,
            'read_at' => $now->copy()->subDays($days), 'rotation' => 'abc', 'ct_primary_a' => 200, 'ct_secondary_a' => 5,
            'v_v' => [231.4, 229.8, 230.6], 'a_a' => [104.0, 101.5, 98.0], 'pf' => [0.84, 0.83, 0.85], 'v_deg' => [0, -120, 120],
            'neutral_a' => 9,
        ]);
        $read(40, ['kw' => [20.2, -19.4, 19.2], 'i_deg' => [-33, 26, 88], 'note' => 'As found, both pumps running.']);
        $read(39, [
            'kw' => [20.3, 19.4, 19.1], 'i_deg' => [-33, -154, 88],
            'note' => 'Transformer of L2 turned round, dead and shorted; read again.',
        ]);
        CapacitorBank::query()->create([
            'company_id' => $switch->company_id, 'switch_id' => $switch->id, 'user_id' => $user->id, 'kw' => 60, 'pf' => 0.84,
            'target_pf' => 0.95, 'v_ll_v' => 400, 'rated_v' => 440, 'steps_kvar' => [5, 10, 10], 'discharge_s' => 180, 'reconnect_s' => 200,
            'nonlinear_pct' => 10, 'generator_kw' => 18, 'generator_pf' => 0.86,
        ]);
    }
}
