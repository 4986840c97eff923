<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Bridge\LoadTestFacts;
use App\Bridge\ProofFacts;
use App\Bridge\RecordingSeries;
use App\Models\Equipment;
use App\Models\LoadTest;
use App\Models\Recording;
use App\Models\TransferSwitch;
use App\Models\User;
use App\Stage\LoadTest\TestBook;
use Escapement\Core\LoadTest\GivenStep;
use Escapement\Core\LoadTest\GovernorClass;
use Escapement\Core\LoadTest\RecordedWave;
use Escapement\Core\LoadTest\StepTransients;
use Escapement\Core\LoadTest\TestMark;
use Escapement\Core\LoadTest\TransientInput;
use Escapement\Core\Recording\Series;
use Escapement\Core\Wire\ResultWriter;
use Illuminate\Support\Carbon;
use Ramsey\Uuid\Uuid;

/**
 * Load tests of the demo: a diesel over five years with the oil pressure falling, one under way; a house with its own loads; a set that
 * failed its last step, and that ran too lightly later; what they were made with.
 */
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
    private const ACCEPTANCE = [
        'profile' => 'acceptance', 'building_kw' => 0, 'use_building' => false, 'bank_elements_kw' => [10, 10, 20, 20, 40, 40],
        'bank_side' => 'generator', 'auto_drop' => true, 'fuel_available' => 150,
    ];
    private const TOO_LIGHT = [
        'profile' => 'custom', 'steps' => [['level_pct' => 20, 'minutes' => 40]], 'building_kw' => 12, 'use_building' => true,
        'bank_elements_kw' => [],
    ];

    public function __construct(private TestBook $book) {}

    public function of(TransferSwitch $switch, User $user, Carbon $now): void
    {
        $bank = $this->equipment($user, $now);
        foreach (self::WEAR as $yearsAgo => $wear) {
            $this->closed($switch, $user, $now->copy()->subYears($yearsAgo)->setTime(9, 0), self::SEMI_ANNUAL, $wear, bank: $bank);
        }
        $test = $this->test($switch, $user, $now->copy()->subMinutes(40), self::SEMI_ANNUAL, $bank);
        $this->readings($test, $user, 6, 9.0);
        $this->recording($test, $user);
        Carbon::setTestNow($now);
    }

    public function house(TransferSwitch $switch, User $user, Carbon $now): void
    {
        foreach ([140, 48] as $daysAgo) {
            $this->closed($switch, $user, $now->copy()->subDays($daysAgo)->setTime(10, 0), self::HOUSE, 0);
        }
        Carbon::setTestNow($now);
    }

    /** A set that does not carry its last step, and a run that fouls it. */
    public function coldStore(TransferSwitch $switch, User $user, Carbon $now): void
    {
        $bank = Equipment::query()->where('kind', 'load_bank')->first();
        $this->closed($switch, $user, $now->copy()->subDays(120)->setTime(8, 30), self::ACCEPTANCE, 2.0, mostKw: 52.0, bank: $bank);
        $this->closed($switch, $user, $now->copy()->subDays(20)->setTime(15, 0), self::TOO_LIGHT, 2.0);
        Carbon::setTestNow($now);
    }

    private function equipment(User $user, Carbon $now): Equipment
    {
        $of = ['company_id' => $user->company_id];
        Equipment::query()->create($of + [
            'kind' => 'meter', 'name' => 'Clamp meter, van 2', 'serial' => 'CM-0418', 'calibrated_until' => $now->copy()->addMonths(5),
        ]);
        Equipment::query()->create($of + [
            'kind' => 'torque_tool', 'name' => 'Torque screwdriver, small', 'serial' => 'TS-11',
            'calibrated_until' => $now->copy()->subDays(12),
        ]);

        return Equipment::query()->create($of + [
            'kind' => 'load_bank', 'name' => 'Bank on the trailer', 'serial' => 'LB-140',
            'elements_kw' => self::SEMI_ANNUAL['bank_elements_kw'],
            'rated_v' => 400, 'phases' => 3, 'cable' => '4 single cores and ground, 15 m', 'cable_a' => 300,
            'fan_supply' => 'own socket, 230 V 16 A', 'drops_itself' => true, 'calibrated_until' => $now->copy()->addMonths(9),
        ]);
    }

    /** @param array<string, mixed> $chosen */
    private function closed(
        TransferSwitch $switch,
        User $user,
        Carbon $at,
        array $chosen,
        float $wear,
        float $mostKw = INF,
        ?Equipment $bank = null,
    ): void {
        $test = $this->test($switch, $user, $at, $chosen, $bank);
        $this->readings($test, $user, 99, $wear, $mostKw);
        Carbon::setTestNow($at->copy()->addHours(2)->addMinutes(20));
        $facts = new LoadTestFacts($switch);
        $result = $facts->evaluated($test->load(['readings', 'marks', 'recordings']));
        $verdict = $result->verdict ?? 'not_proven';
        $this->book->sign($test, $user, $user->name, null, $verdict, $facts->evaluationInput($test) ?? []);
        $test->update([
            'closed_at' => Carbon::now(), 'closed_by' => $user->name, 'verdict' => $verdict,
            'result' => $result === null ? null : ResultWriter::write($result), 'basis' => ProofFacts::ofLoadTest($switch),
        ]);
    }

    /** @param array<string, mixed> $chosen */
    private function test(TransferSwitch $switch, User $user, Carbon $at, array $chosen, ?Equipment $bank = null): LoadTest
    {
        Carbon::setTestNow($at->copy()->subHour());
        $test = LoadTest::query()->create([
            'company_id' => $switch->company_id, 'switch_id' => $switch->id, 'user_id' => $user->id, 'profile' => $chosen['profile'],
            'planned_for' => $at, 'plan' => (new LoadTestFacts($switch))->planInput($chosen), 'equipment_id' => $bank?->id,
            'top_pct' => LoadTest::topPct((new LoadTestFacts($switch))->planInput($chosen)),
            'people' => $bank === null ? null : 'One at the bank, one reads', 'edition' => 'as adopted in the county, 2026',
        ])->refresh();
        $this->book->plan($test, $user);

        return $test;
    }

    /**
     * @param float $wear   by which the coolant is hotter and the oil thinner than when it was new
     * @param float $mostKw that the set carries
     */
    private function readings(LoadTest $test, User $user, int $count, float $wear, float $mostKw = INF): void
    {
        $facts = new LoadTestFacts($test->switch);
        $plan = LoadTestFacts::planned($test->plan);
        $isHouse = $facts->phases() === 2;
        [$volts, $hertz, $battery] = $isHouse ? [120, 60, 13.6] : [230, 50, 27.4];
        $begun = $test->planned_for ?? Carbon::now();
        $marked = -1;
        $this->mark($test, $user, TestMark::Started, $begun->copy()->addSeconds((int) $plan->readings[0] - 90));
        foreach (array_slice($plan->readings, 0, $count) as $i => $seconds) {
            $place = 0;
            foreach ($plan->steps as $n => $one) {
                $place = $seconds >= $one->startS ? $n : $place;
            }
            $at = $begun->copy()->addSeconds((int) $seconds);
            if ($place > $marked && $seconds >= $plan->steps[$place]->startS) {
                $level = $plan->steps[$place]->levelPct;
                $isDown = $marked >= 0 && $level < $plan->steps[$marked]->levelPct;
                $this->mark($test, $user, $isDown ? TestMark::StepDown : TestMark::StepUp, $at->copy()->subSeconds(30), $level);
                $marked = $place;
            }
            $kw = min($mostKw, $isHouse ? 7.6 : $plan->steps[$place]->kw);
            $lacks = $plan->steps[$place]->kw > $mostKw;
            $amps = 1000 * $kw / $facts->phases() / $volts;
            Carbon::setTestNow($at->copy()->addSeconds(8));
            $this->book->reading($test, $user, [
                'id' => Uuid::uuid4()->toString(), 'taken_at' => $at,
                'v_v' => array_map(
                    static fn(float $v): float => round($v - $kw / 40 - ($lacks ? 6 : 0), 1),
                    array_slice([$volts + 1.2, $volts + 0.4, $volts - 0.1], 0, $facts->phases()),
                ),
                'a_a' => array_slice([round($amps, 1), round(1.02 * $amps, 1), round(0.98 * $amps, 1)], 0, $facts->phases()),
                'hz' => round($hertz + 0.1 - $kw / 1000 - ($lacks ? 1.6 : 0), 3),
                'kw' => round($kw + ($isHouse ? 0 : 0.4), 1), 'oil_kpa' => round(420 - 4 * $i - 5 * $wear, 1),
                'coolant_c' => round(min(92, 62 + 4 * $i) + $wear, 1),
                'exhaust_c' => round($kw < 0.3 * (float) ($test->plan['nameplate_kw'] ?? 0)
                    && ! $isHouse ? 170 + 2.0 * $i : 250 + 18.0 * $i, 1),
                'battery_v' => $battery, 'note' => $lacks ? 'Black smoke, the engine labors' : null,
            ]);
        }
    }

    private function mark(LoadTest $test, User $user, TestMark $kind, Carbon $at, ?float $level = null): void
    {
        Carbon::setTestNow($at->copy()->addSecond());
        $this->book->mark($test, $user, [
            'id' => Uuid::uuid4()->toString(), 'kind' => $kind, 'at' => $at, 'level_pct' => $level, 'note' => null,
        ]);
    }

    /** A step to 50 % with its dip, as a recorder would have seen it: a made-up decay, half a cycle at a time. */
    private function recording(LoadTest $test, User $user): void
    {
        $series = new Series(3);
        for ($ms = 0; $ms <= 24_000; $ms += 20) {
            $s = ($ms - 5000) / 1000;
            $dip = $s < 0 ? 0.0 : 0.11 * exp(-$s / 0.55);
            $sag = $s < 0 ? 0.0 : 2.1 * ($s / 0.6) * exp(1 - $s / 0.6) * exp(-$s / 4);
            $series->add($ms, array_map(static fn(float $v): float => $v * (1 - $dip), [230.4, 229.8, 230.1]), 50.1 - $sag);
        }
        $given = [new GivenStep(5000, 24.0, 72.0)];
        $result = (new StepTransients())->judge(new TransientInput(
            (new RecordedWave($series, null, 50, $given))->wave(),
            $given,
            null,
            500,
            230,
            50,
            true,
            GovernorClass::G2,
            1000,
            15_000,
            1000,
            500,
        ));
        $steps = json_decode(json_encode(ResultWriter::write($result), JSON_THROW_ON_ERROR), true, 64, JSON_THROW_ON_ERROR);
        $recording = Recording::query()->create([
            'company_id' => $test->company_id, 'user_id' => $user->id, 'load_test_id' => $test->id,
            'name' => 'Step to 50 %, pumping station',
            'source' => 'From step-50.csv', 'phases' => 3, 'nominal_v' => 230, 'nominal_hz' => 50, 'until_ms' => $series->untilMs,
            'points' => count($series->atMs), 'series' => RecordingSeries::pack($series),
            'steps' => (is_array($steps) ? $steps : []) + ['class' => 'G2'],
        ]);
        $this->book->recording($test, $user, $recording);
    }
}
