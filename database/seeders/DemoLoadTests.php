<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Bridge\LoadTestFacts;
use App\Models\LoadReading;
use App\Models\LoadTest;
use App\Models\TransferSwitch;
use App\Models\User;
use Escapement\Core\Wire\ResultWriter;
use Illuminate\Support\Carbon;
use Ramsey\Uuid\Uuid;

/** Load tests of a made-up diesel: five years with the oil pressure falling, and one under way. */
final readonly class DemoLoadTests
{
    private const BANK_KW = [10, 10, 20, 20, 40, 40];
    /** By years ago: by how much the coolant is hotter and the oil thinner than when it was new. */
    private const WEAR = [5 => 0.0, 4 => 1.6, 3 => 3.1, 2 => 4.2, 1 => 6.4];

    public function of(TransferSwitch $switch, User $user, Carbon $now): void
    {
        foreach (self::WEAR as $yearsAgo => $wear) {
            $this->closed($switch, $user, $now->copy()->subYears($yearsAgo)->setTime(9, 0), $wear);
        }
        $this->readings($this->test($switch, $user, $now->copy()->subMinutes(40)), $user, 6, 9.0);
    }

    private function closed(TransferSwitch $switch, User $user, Carbon $at, float $wear): void
    {
        $test = $this->test($switch, $user, $at);
        $this->readings($test, $user, 99, $wear);
        $result = (new LoadTestFacts($switch))->evaluated($test->load('readings'));
        $test->update([
            'closed_at' => $at->copy()->addHours(2), 'closed_by' => $user->name, 'verdict' => $result?->verdict,
            'result' => $result === null ? null : ResultWriter::write($result),
        ]);
    }

    private function test(TransferSwitch $switch, User $user, Carbon $at): LoadTest
    {
        $facts = new LoadTestFacts($switch);

        return LoadTest::query()->create([
            'company_id' => $switch->company_id, 'switch_id' => $switch->id, 'user_id' => $user->id, 'profile' => 'semi_annual',
            'planned_for' => $at,
            'plan' => $facts->planInput([
                'profile' => 'semi_annual', 'building_kw' => 18, 'use_building' => true, 'bank_elements_kw' => self::BANK_KW,
                'bank_side' => 'generator', 'auto_drop' => true, 'fuel_available' => 400,
            ]),
        ]);
    }

    /** @param float $wear by which the coolant is hotter and the oil thinner than when it was new */
    private function readings(LoadTest $test, User $user, int $count, float $wear): void
    {
        $plan = LoadTestFacts::planned($test->plan);
        foreach (array_slice($plan->readings, 0, $count) as $i => $seconds) {
            $step = $plan->steps[0];
            foreach ($plan->steps as $one) {
                $step = $seconds >= $one->startS ? $one : $step;
            }
            $amps = 1000 * $step->kw / 3 / 230;
            LoadReading::query()->create([
                'id' => Uuid::uuid4()->toString(), 'company_id' => $test->company_id, 'load_test_id' => $test->id, 'user_id' => $user->id,
                'taken_at' => $test->planned_for?->copy()->addSeconds((int) $seconds),
                'v_v' => [231.2 - $step->kw / 40, 230.4 - $step->kw / 40, 229.9 - $step->kw / 40],
                'a_a' => [round($amps, 1), round(1.02 * $amps, 1), round(0.98 * $amps, 1)], 'hz' => 50.1 - $step->kw / 1000,
                'kw' => round($step->kw + 0.4, 1), 'oil_kpa' => 420 - 4 * $i - 5 * $wear, 'coolant_c' => min(92, 62 + 4 * $i) + $wear,
                'exhaust_c' => 250 + 18 * $i, 'battery_v' => 27.4,
            ]);
        }
    }
}
