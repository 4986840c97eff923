<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Bridge\LoadTestFacts;
use App\Bridge\ProofFacts;
use App\Models\LoadReading;
use App\Models\LoadTest;
use App\Models\TransferSwitch;
use App\Models\User;
use Escapement\Core\Wire\ResultWriter;
use Illuminate\Support\Carbon;
use Ramsey\Uuid\Uuid;

/** Load tests of a made-up diesel: five years with the oil pressure falling, and one under way; and of a made-up house. */
final readonly class DemoLoadTests
{
    /** By years ago: by how much the coolant is hotter and the oil thinner than when it was new. */
    private const WEAR = [5 => 0.0, 4 => 1.6, 3 => 3.1, 2 => 4.2, 1 => 6.4];

    private const SEMI_ANNUAL = [
        'profile' => 'semi_annual', 'building_kw' => 18, 'use_building' => true, 'bank_elements_kw' => [10, 10, 20, 20, 40, 40],
        'bank_side' => 'generator', 'auto_drop' => true, 'fuel_available' => 400,
    ];
    private const HOUSE = [
        'profile' => 'quarterly_house', 'building_kw' => 7.6, 'use_building' => true, 'bank_elements_kw' => [],
    ];

    public function of(TransferSwitch $switch, User $user, Carbon $now): void
    {
        foreach (self::WEAR as $yearsAgo => $wear) {
            $this->closed($switch, $user, $now->copy()->subYears($yearsAgo)->setTime(9, 0), self::SEMI_ANNUAL, $wear);
        }
        $this->readings($this->test($switch, $user, $now->copy()->subMinutes(40), self::SEMI_ANNUAL), $user, 6, 9.0);
    }

    public function house(TransferSwitch $switch, User $user, Carbon $now): void
    {
        foreach ([140, 48] as $daysAgo) {
            $this->closed($switch, $user, $now->copy()->subDays($daysAgo)->setTime(10, 0), self::HOUSE, 0);
        }
    }

    /** @param array<string, mixed> $chosen */
    private function closed(TransferSwitch $switch, User $user, Carbon $at, array $chosen, float $wear): void
    {
        $test = $this->test($switch, $user, $at, $chosen);
        $this->readings($test, $user, 99, $wear);
        $result = (new LoadTestFacts($switch))->evaluated($test->load('readings'));
        $test->update([
            'closed_at' => $at->copy()->addHours(2), 'closed_by' => $user->name, 'verdict' => $result?->verdict,
            'result' => $result === null ? null : ResultWriter::write($result), 'basis' => ProofFacts::ofLoadTest($switch),
        ]);
    }

    /** @param array<string, mixed> $chosen */
    private function test(TransferSwitch $switch, User $user, Carbon $at, array $chosen): LoadTest
    {
        return LoadTest::query()->create([
            'company_id' => $switch->company_id, 'switch_id' => $switch->id, 'user_id' => $user->id, 'profile' => $chosen['profile'],
            'planned_for' => $at, 'plan' => (new LoadTestFacts($switch))->planInput($chosen),
        ]);
    }

    /** @param float $wear by which the coolant is hotter and the oil thinner than when it was new */
    private function readings(LoadTest $test, User $user, int $count, float $wear): void
    {
        $facts = new LoadTestFacts($test->switch);
        $plan = LoadTestFacts::planned($test->plan);
        $isHouse = $facts->phases() === 2;
        [$volts, $hertz, $battery] = $isHouse ? [120, 60, 13.6] : [230, 50, 27.4];
        foreach (array_slice($plan->readings, 0, $count) as $i => $seconds) {
            $step = $plan->steps[0];
            foreach ($plan->steps as $one) {
                $step = $seconds >= $one->startS ? $one : $step;
            }
            $kw = $isHouse ? 7.6 : $step->kw;
            $amps = 1000 * $kw / $facts->phases() / $volts;
            LoadReading::query()->create([
                'id' => Uuid::uuid4()->toString(), 'company_id' => $test->company_id, 'load_test_id' => $test->id, 'user_id' => $user->id,
                'taken_at' => $test->planned_for?->copy()->addSeconds((int) $seconds),
                'v_v' => array_slice([$volts + 1.2 - $kw / 40, $volts + 0.4 - $kw / 40, $volts - 0.1 - $kw / 40], 0, $facts->phases()),
                'a_a' => array_slice([round($amps, 1), round(1.02 * $amps, 1), round(0.98 * $amps, 1)], 0, $facts->phases()),
                'hz' => $hertz + 0.1 - $kw / 1000,
                'kw' => round($kw + ($isHouse ? 0 : 0.4), 1), 'oil_kpa' => 420 - 4 * $i - 5 * $wear,
                'coolant_c' => min(92, 62 + 4 * $i) + $wear, 'exhaust_c' => 250 + 18 * $i, 'battery_v' => $battery,
            ]);
        }
    }
}
