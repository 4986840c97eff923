<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Bridge\RecordingSeries;
use App\Bridge\SwitchFacts;
use App\Jobs\PlaySeason;
use App\Models\Company;
use App\Models\LoadItem;
use App\Models\PartProof;
use App\Models\Plan;
use App\Models\Recording;
use App\Models\Role;
use App\Models\Run;
use App\Models\Scenario;
use App\Models\Season;
use App\Models\SeasonState;
use App\Models\Site;
use App\Models\Standing;
use App\Models\TransferSwitch;
use App\Models\User;
use App\Stage\Board\StatusBook;
use App\Stage\Commissioning\CloseRun;
use App\Stage\Commissioning\KeepMarks;
use App\Stage\Commissioning\OpenRun;
use App\Stage\KeptPhoto;
use App\Stage\Picture;
use App\Stage\Settings\WriteSheet;
use Escapement\Core\Input\MergePatch;
use Escapement\Core\Planning\PowerDownTasks;
use Escapement\Core\Planning\PowerDownWork;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\Side;
use Escapement\Core\Plant\Source;
use Escapement\Core\Plant\Upstream;
use Escapement\Core\Recording\Climate;
use Escapement\Core\Recording\UtilityTrace;
use Escapement\Core\Settings\Template\ReturnDelayMethod;
use Escapement\Core\Settings\Template\SheetTemplate;
use Escapement\Core\Simulation\ScenarioEvent;
use Escapement\Core\Simulation\Verb;
use Illuminate\Database\Seeder;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Auth;
use Ramsey\Uuid\Uuid;

/** A made-up service company with sites in different stages, through the same actions that people use. */
final class DatabaseSeeder extends Seeder
{
    private const SIGNATURE = 'M30 90L48 52L60 44L66 60L50 78L84 70L96 86L110 58L118 84L140 62L150 80L176 54L190 84L230 66L300 72';

    /** What a survey of a house found; lengths in metres. */
    private const HOUSE = [
        'meter' => 'one', 'upstream' => 'utility', 'inspection' => 'released', 'electrode' => 'panel', 'service_metal' => 'al',
        'line_conductors' => 3, 'slack_m' => 0.6, 'bus_a' => 200, 'free_spaces' => 6, 'multiwire' => 'yes', 'branch_metal' => 'cu',
        'co_alarms' => 'yes', 'opening_m' => 3.2, 'opening_least_m' => 1.5, 'clearance' => 'yes', 'box_place' => 'outdoors',
        'entries' => 'both_ends', 'wall' => 'finished', 'flood' => 'no', 'snow' => 'no', 'wall_m' => 2.1, 'vents_clear' => 'yes',
        'co_places' => 'all', 'generator_breaker_found' => 'on', 'main_found' => 'on', 'system_class' => 'optional', 'dwelling' => 'yes',
        'listed' => 'yes', 'withstand_basis' => 'any_breaker', 'rating_marked' => 'yes', 'service_aic_ka' => 22, 'panel_aic_ka' => 10,
        'emergency_stop' => 'yes', 'emergency_disconnect' => 'yes', 'emergency_disconnect_marked' => 'yes', 'surge_device' => 'yes',
        'intersystem_bond' => 'yes', 'source_sign' => 'yes', 'grounding_sign' => 'yes',
        'regulators' => 'yes', 'flexible' => 'yes', 'static_inwc' => 11.2, 'loaded_inwc' => 10.6, 'tank_gal' => 250, 'tank_pct' => 70,
    ];

    private User $rosa;
    private User $milo;

    public function __construct(
        private readonly WriteSheet $sheets,
        private readonly OpenRun $opener,
        private readonly KeepMarks $keeper,
        private readonly CloseRun $closer,
        private readonly DemoWork $work,
        private readonly DemoLoadTests $loadTests,
        private readonly DemoVisits $visits,
        private readonly DemoFleet $fleet,
        private readonly DemoCircuits $circuits,
        private readonly DemoPanels $panels,
        private readonly DemoUpkeep $upkeep,
    ) {}

    public function run(): void
    {
        $company = Company::query()->create([
            'name' => 'Lantern Bay Standby Service', 'telephone' => '+1 555 0142', 'address' => '8 Quay Road, Lantern Bay',
            'licence' => 'Electrical contractor, licence 00-1842', 'is_demo' => true, 'storm_from' => 12, 'storm_to' => 3,
        ]);
        $user = static fn(string $name, string $email, Role $role, string $password, Company $of): User => User::query()->create([
            'company_id' => $of->id, 'name' => $name, 'email' => $email, 'role' => $role, 'password' => $password,
        ]);
        $this->rosa = $user('Rosa Vance', 'rosa@lantern.example', Role::Lead, 'lantern-demo', $company);
        $this->milo = $user('Milo Tern', 'milo@lantern.example', Role::Technician, 'lantern-demo', $company);
        $user('Ida Quill', 'ida@lantern.example', Role::Viewer, 'lantern-demo', $company);
        $other = Company::query()->create(['name' => 'Copperfen Electric', 'is_demo' => true]);
        $user('Otto Brand', 'otto@copperfen.example', Role::Lead, 'copperfen-demo', $other);

        Auth::setUser($this->rosa);
        $now = Carbon::now()->startOfMinute();
        try {
            $this->juniper($now);
            $this->mossgate($now);
            $this->otterBend($now);
            $this->tamarack($now);
            $this->bookmobile($now);
            $this->saltmarsh($now);
            $this->pellLane($now);
            $this->brickfield($now);
            $this->alderQuay($now);
            $this->surveys();
            $this->plan($now);
            $this->van();
            $this->library($now);
            $this->season($now);
            Carbon::setTestNow($now);
            $saltmarsh = Site::query()->where('name', 'Saltmarsh pumping station')->firstOrFail()->switches()->firstOrFail();
            $this->loadTests->of($saltmarsh, $this->milo, $now);
            $this->circuits->board($saltmarsh, $this->milo);
            (new DemoMeters())->of($saltmarsh, $this->milo, $now);
            $this->panelsDone($now, $saltmarsh);
            Carbon::setTestNow($now);
            $this->upkeep->station($saltmarsh, $this->milo, $now);
            $juniper = Site::query()->where('name', 'Juniper Row 14')->firstOrFail()->switches()->firstOrFail();
            $this->loadTests->house($juniper, $this->milo, $now);
            $this->upkeep->house($juniper, $this->rosa, $now);
            $tamarack = Site::query()->where('name', 'Tamarack Orchard cold store')->firstOrFail()->switches()->firstOrFail();
            $this->loadTests->coldStore($tamarack, $this->milo, $now);
            (new DemoBenches())->of($juniper, $tamarack, $saltmarsh, $this->rosa);
            (new DemoDevices())->of($this->rosa, $tamarack, $now);
            $this->visits->of($this->rosa, $this->milo, $now);
            $this->runUnderWay();
            $this->served($tamarack, $now);
            $this->fleet->of($this->rosa, $this->milo, $now);
            Carbon::setTestNow($now);
            (new StatusBook($now))->freshenAll();
        } finally {
            Carbon::setTestNow();
            Auth::forgetUser();
        }
    }

    private function juniper(Carbon $now): void
    {
        Carbon::setTestNow($now->copy()->subDays(54)->setTime(13, 5));
        $switch = $this->site('Juniper Row 14', InstallationKind::WholeHouse, [
            'address' => '14 Juniper Row, Saltmarsh', 'owner' => 'Family Aldous', 'service_a' => 200, 'altitude_m' => 120,
        ], [
            'rating_a' => 200, 'poles' => 2, 'service_rated' => true, 'test_disconnect' => 'Q1 main, garage wall',
            'test_device' => 'ats.main', 'fuel' => 'lp', 'rated_kw' => ['lp' => 18, 'natural_gas' => 16.2],
            'has_compressor' => true, 'survey' => self::HOUSE,
        ], [
            ['Always on', 3.4, 1, true, false],
            ['Well pump', 1.5, 1, true, false],
            ['Heat pump', 5.0, 2, false, true],
            ['Water heater', 4.5, 3, false, true],
        ]);
        $this->sheet($switch, $this->milo, Standing::AsFound, 'As the last installer left it: nobody had written it down.', [
            'return_delay_ms' => 5000, 'cooldown_ms' => 60_000, 'sensing' => ['normal' => ['over_voltage' => null]],
        ]);
        $this->planned($switch, 'managed', 18, [
            'promised_min' => 90,
            'hot_day' => false,
            'opens_at' => $now->copy()->subDays(60)->format('Y-m-d\T09:00'),
        ]
            + PowerDownTasks::usual(new PowerDownWork(
                InstallationKind::WholeHouse,
                3,
                [
                    'Take the bond out of Generator',
                    'Take the bond out of Panel',
                    'Fit the bond in Transfer switch',
                    'Move the electrode conductor of Panel',
                ],
                18,
                upstream: Upstream::Utility,
                isInspected: true,
            )));
        $this->sheet($switch, $this->milo, Standing::AsLeft, 'Five minutes, so that a line crew does not bounce the house.');
        $this->timed($switch, $this->milo, [
            ['utility_off', 0],
            ['start_signal', 5600],
            ['engine_running', 11_300],
            ['transferred', 21_200],
            ['bait_on', 95_000],
            ['bait_off', 105_100],
            ['utility_on', 180_000], ['retransferred', 480_400], ['engine_stopped', 606_900],
            ['test_on', 900_000],
            ['start_signal', 900_400],
            ['engine_running', 905_900],
            ['transferred', 916_100],
            ['test_off', 1_020_000],
            ['retransferred', 1_020_300],
            ['engine_stopped', 1_208_600],
        ], 'Milo Tern', 'Karin Aldous');
    }

    private function mossgate(Carbon $now): void
    {
        Carbon::setTestNow($now->copy()->subDays(20)->setTime(15, 20));
        $switch = $this->site('Mossgate parish hall', InstallationKind::EssentialCircuits, [
            'address' => 'Mossgate Green', 'owner' => 'Warden Ines Poole', 'service_a' => 100, 'altitude_m' => 40,
        ], [
            'rating_a' => 100, 'poles' => 2, 'service_rated' => false, 'test_disconnect' => 'Feed breaker in the main panel',
            'test_device' => 'main.feed', 'fuel' => 'natural_gas', 'rated_kw' => ['natural_gas' => 9],
        ], [['Hall lights', 1.2, 1, true, false], ['Kitchen', 3.6, 2, false, false], ['Fridges', 1.1, 1, true, false]]);
        $this->sheet($switch, $this->milo, Standing::AsFound, 'Read from the panel.', [], ReturnDelayMethod::Short);
        $this->timed($switch, $this->milo, [
            ['utility_off', 0],
            ['start_signal', 5500],
            ['engine_running', 10_900],
            ['transferred', 20_600],
            ['bait_on', 60_000],
            ['retransferred', 64_800],
            ['bait_off', 70_000], ['transferred', 71_300], ['utility_on', 180_000], ['retransferred', 185_100], ['engine_stopped', 306_000],
        ], 'Milo Tern');
    }

    private function otterBend(Carbon $now): void
    {
        Carbon::setTestNow($now->copy()->subDays(3)->setTime(9, 30));
        $switch = $this->site('Otter Bend Veterinary Clinic', InstallationKind::TwoPanels, [
            'address' => '2 Mill Lane, Otter Bend', 'owner' => 'Dr Pia Holm', 'service_a' => 400, 'altitude_m' => 310,
        ], [
            'rating_a' => 400, 'poles' => 2, 'service_rated' => true, 'test_disconnect' => 'Q1 main, plant room',
            'test_device' => 'ats.main', 'fuel' => 'lp', 'rated_kw' => ['lp' => 24, 'natural_gas' => 21],
            'has_compressor' => true,
        ], [
            ['Always on', 8.4, 1, true, false],
            ['Heat pump', 5.0, 2, false, true],
            ['Water heater', 4.5, 3, false, true],
            ['Dryer', 5.6, 4, false, true],
        ]);
        $this->sheet($switch, $this->rosa, Standing::Proposed, 'Shedding keeps it under 18 kW.', [
            'load_shed' => [
                'limit_kw' => 18,
                'first_step_ms' => 10_000,
                'step_ms' => 15_000,
                'overload_ms' => 5000,
                'lockout_ms' => 180_000,
            ],
        ]);
    }

    /** Begun on what the survey and the plan say by now, and nothing marked yet: its clock starts with the first mark. */
    private function runUnderWay(): void
    {
        $site = Site::query()->where('name', 'Otter Bend Veterinary Clinic')->firstOrFail();
        $this->opener->open($site->switches()->with(['site', 'loads', 'plan'])->firstOrFail(), $this->rosa, 500);
    }

    private function tamarack(Carbon $now): void
    {
        Carbon::setTestNow($now->copy()->subDays(9)->setTime(11, 0));
        $switch = $this->site('Tamarack Orchard cold store', InstallationKind::ContactorGenerator, [
            'address' => 'Orchard Road 7',
            'owner' => 'Tamarack growers',
            'service_a' => 250,
            'altitude_m' => 560,
            'units' => 'metric',
            'timezone' => 'Europe/Berlin',
        ], [
            'rating_a' => 250, 'poles' => 4, 'test_disconnect' => 'Q0', 'test_device' => 'q1', 'fuel' => 'diesel',
            'rated_kw' => ['diesel' => 60], 'largest_motor_hp' => 25, 'has_compressor' => true,
        ], [['Compressors', 31, 1, true, false], ['Lights', 4, 1, true, false]], ['nominal_v' => 230, 'nominal_hz' => 50]);
        $this->sheet($switch, $this->rosa, Standing::AsFound, 'Phase order was never checked here.', [
            'sensing' => ['normal' => ['rotation_check' => false, 'unbalance' => null]], 'cooldown_ms' => 60_000,
        ]);
        $this->circuits->standard($switch, $this->rosa, 'b');
    }

    /** Two transformers on a panel that somebody rebuilt: the proof of its circuit finds what is missing. */
    private function alderQuay(Carbon $now): void
    {
        Carbon::setTestNow($now->copy()->subDays(3)->setTime(9, 20));
        $switch = $this->site('Alder Quay pumping station', InstallationKind::ContactorPair, [
            'address' => 'Quay 3',
            'owner' => 'Alder drainage board',
            'service_a' => 160,
            'units' => 'metric',
            'timezone' => 'Europe/Berlin',
        ], [
            'rating_a' => 160, 'poles' => 4, 'test_disconnect' => 'Q0', 'test_device' => 'q1', 'rated_kw' => [], 'largest_motor_hp' => 15,
        ], [['Pump 1', 11, 1, true, false], ['Pump 2', 11, 2, true, false], ['Controls', 1.5, 1, true, false]], [
            'nominal_v' => 230, 'nominal_hz' => 50,
        ]);
        $this->sheet($switch, $this->milo, Standing::Proposed, 'From the template; the dials are still to be read.');
        $this->circuits->withoutInterlock($switch, $this->milo, 'a');
    }

    /** One panel of each type, drawn, proved and signed to the end. */
    private function panelsDone(Carbon $now, TransferSwitch $saltmarsh): void
    {
        $metric = ['service_a' => 160, 'units' => 'metric', 'timezone' => 'Europe/Berlin'];
        $european = ['nominal_v' => 230, 'nominal_hz' => 50];
        $survey = [
            'upstream' => 'disconnect', 'upstream_second' => 'disconnect', 'inspection' => 'no', 'clearance' => 'yes', 'dwelling' => 'no',
            'system_class' => 'optional', 'listed' => 'yes', 'source_sign' => 'yes',
        ];
        Carbon::setTestNow($now->copy()->subDays(31)->setTime(6, 30));
        $press = $this->site('Coldbrook print works', InstallationKind::ContactorPair, $metric + [
            'address' => 'Coldbrook Lane 2', 'owner' => 'Coldbrook press',
        ], [
            'rating_a' => 160, 'poles' => 4, 'test_disconnect' => 'Q0', 'test_device' => 'q1', 'rated_kw' => [], 'largest_motor_hp' => 10,
            'survey' => $survey,
        ], [['Press', 22, 1, true, false], ['Ovens', 18, 2, false, false]], $european);
        $this->bonded($press, ['generator_bonded' => true, 'panel_bonded' => false, 'service_bonded' => true]);
        $this->sheet($press, $this->milo, Standing::AsFound, 'As the panel builder left it, from his slip.');
        $this->timed($press, $this->milo, $this->panels->ready($press, $this->milo, 'a'), 'Milo Tern', 'Lina Brook', false);
        Carbon::setTestNow($now->copy()->subDays(17)->setTime(5, 50));
        $dairy = $this->site('Larkfield dairy', InstallationKind::ContactorGenerator, $metric + [
            'address' => 'Larkfield 11', 'owner' => 'Larkfield milk', 'altitude_m' => 410,
        ], [
            'rating_a' => 160, 'poles' => 4, 'test_disconnect' => 'Q0', 'test_device' => 'q1', 'fuel' => 'diesel',
            'rated_kw' => ['diesel' => 50], 'largest_motor_hp' => 10, 'has_compressor' => true,
            'survey' => $survey + ['emergency_stop' => 'yes', 'co_alarms' => 'yes', 'opening_m' => 6],
        ], [['Milk cooling', 16, 1, true, false], ['Milking', 9, 1, true, false]], $european);
        $this->bonded($dairy, ['generator_bonded' => true, 'panel_bonded' => false, 'service_bonded' => true]);
        $this->sheet($dairy, $this->rosa, Standing::AsFound, 'From the slip in the panel door.');
        $this->timed($dairy, $this->rosa, $this->panels->ready($dairy, $this->rosa, 'c'), 'Rosa Vance', 'Jon Lark', false);
        Carbon::setTestNow($now->copy()->subDays(6)->setTime(7, 0));
        $this->bonded($saltmarsh, ['generator_bonded' => true, 'panel_bonded' => false, 'service_bonded' => true]);
        $this->timed(
            $saltmarsh,
            $this->milo,
            $this->panels->ready($saltmarsh, $this->milo, 'd'),
            'Milo Tern',
            'Hedda Maas',
            false,
        );
    }

    /** @param array<string, bool> $bonds as they were found */
    private function bonded(TransferSwitch $switch, array $bonds): void
    {
        Plan::query()->create([
            'company_id' => $switch->company_id, 'switch_id' => $switch->id, 'user_id' => $this->milo->id,
            'facts' => $bonds + ['code_edition' => 'IEC 60364, as adopted here'],
        ]);
    }

    private function bookmobile(Carbon $now): void
    {
        Carbon::setTestNow($now->copy()->subDays(42)->setTime(14, 0));
        $switch = $this->site('Rill Street bookmobile', InstallationKind::Mobile50, [
            'address' => 'Garage, Rill Street', 'owner' => 'Rill Street library', 'service_a' => 50,
        ], [
            'rating_a' => 50, 'poles' => 2, 'test_disconnect' => 'Shore plug', 'test_device' => 'plug', 'fuel' => 'petrol',
            'rated_kw' => ['petrol' => 4, 'battery' => 3],
        ], [['Converter', 0.9, 2, false, false], ['Lights and desk', 0.6, 1, true, false], ['Roof fan', 1.3, 2, false, false]]);
        $this->sheet($switch, $this->milo, Standing::AsLeft, 'Half a minute of warm-up.');
        $this->timed($switch, $this->milo, [
            ['start_signal', 0], ['engine_running', 5300], ['transferred', 35_400], ['engine_stopped', 120_000], ['retransferred', 120_600],
        ], 'Milo Tern');
        PartProof::query()->where('switch_id', $switch->id)->update(['edition' => 1]); // six weeks ago the procedure proved less
        Carbon::setTestNow($now->copy()->subDays(6)->setTime(10, 15));
        $this->sheet(
            $switch->fresh() ?? $switch,
            $this->rosa,
            Standing::Proposed,
            'The set needs longer in the cold.',
            ['transfer_delay_ms' => 45_000],
        );
    }

    private function saltmarsh(Carbon $now): void
    {
        Carbon::setTestNow($now->copy()->subDays(12)->setTime(8, 45));
        $switch = $this->site('Saltmarsh pumping station', InstallationKind::MotorDriven, [
            'address' => 'Dyke Road',
            'owner' => 'Saltmarsh water board',
            'service_a' => 630,
            'altitude_m' => 3,
            'units' => 'metric',
            'timezone' => 'Europe/Berlin',
        ], [
            'rating_a' => 630, 'poles' => 4, 'test_disconnect' => 'Q01', 'test_device' => 'q1', 'fuel' => 'diesel',
            'rated_kw' => ['diesel' => 160], 'largest_motor_hp' => 40,
        ], [
            ['Pump 1', 45, 1, true, false],
            ['Pump 2', 45, 2, false, true],
            ['Controls', 2, 1, true, false],
        ], ['nominal_v' => 230, 'nominal_hz' => 50]);
        $this->sheet($switch, $this->rosa, Standing::Proposed, 'From the template; ten minutes of return delay.', [
            'exercise' => null,
        ]);
    }

    /** A set with factory control wiring: two of its option jumpers are as they should be, one is not. */
    private function brickfield(Carbon $now): void
    {
        Carbon::setTestNow($now->copy()->subDays(2)->setTime(13, 10));
        $switch = $this->site('Brickfield workshop', InstallationKind::FactoryControl, [
            'address' => '3 Brickfield Yard', 'owner' => 'Nell Arden', 'service_a' => 200,
        ], [
            'rating_a' => 200, 'poles' => 2, 'service_rated' => true, 'test_disconnect' => 'Q1 main', 'test_device' => 'ats.main',
            'fuel' => 'natural_gas', 'rated_kw' => ['natural_gas' => 20],
        ], [['Lathes', 6.2, 1, true, false], ['Heating', 4.4, 2, false, false]]);
        $this->sheet($switch, $this->milo, Standing::Proposed, 'From the template.');
        $control = static fn(string $function, string $terminals): array => ['function' => $function, 'terminals' => $terminals];
        Plan::query()->create([
            'company_id' => $switch->company_id, 'switch_id' => $switch->id, 'user_id' => $this->milo->id, 'facts' => [],
            'landing' => [
                'controls' => [
                    $control('Start pair, first', '23'), $control('Start pair, second', '24'), $control('Utility sensing, first leg', 'N1'),
                    $control('Utility sensing, second leg', 'N2'), $control('Battery charge supply, hot', 'T1'),
                    $control('Battery charge supply, neutral', 'T2'), $control('DC supply of the controls', '15'),
                ],
                'jumpers' => [
                    $control('Start signal: contact or voltage', '24-25') + ['fitted' => 'yes', 'wanted' => 'yes'],
                    $control('Cool-down in the generator or in the switch', '31-32') + ['fitted' => 'no', 'wanted' => 'yes'],
                    $control('Accessory circuit follows utility or load', '41-42'),
                ],
            ],
        ]);
    }

    private function pellLane(Carbon $now): void
    {
        Carbon::setTestNow($now->copy()->subDay()->setTime(16, 40));
        Site::query()->create([
            'company_id' => $this->rosa->company_id,
            'name' => 'Pell Lane flats',
            'installation' => InstallationKind::FactoryControl,
            'timezone' => 'America/New_York',
            'units' => 'us',
        ]);
    }

    private function surveys(): void
    {
        $switchOf = static fn(string $name): TransferSwitch => Site::query()->where('name', $name)
            ->firstOrFail()
            ->switches()
            ->firstOrFail();
        $house = self::HOUSE;
        $juniper = $switchOf('Juniper Row 14');
        $juniper->update(['survey' => $house]);
        $switchOf('Otter Bend Veterinary Clinic')->update([
            'survey' => [
                'meter' => 'two',
                'line_conductors' => 6,
                'slack_m' => 0,
                'service_metal' => 'al',
                'opening_m' => 1.1,
                'co_alarms' => 'old',
                'regulators' => 'no',
                'wall' => 'open',
                'co_places' => 'some',
                'dwelling' => 'no',
                'wall_m' => 0.6,
                'rating_marked' => 'no',
                'source_sign' => 'no',
            ] + array_diff_key(
                $house,
                array_flip([
                    'flood',
                    'clearance',
                    'loaded_inwc',
                    'branch_metal',
                    'panel_aic_ka',
                    'withstand_basis',
                    'emergency_stop',
                    'intersystem_bond',
                ]),
            ),
        ]);
        $switchOf('Mossgate parish hall')->update([
            'survey' => array_intersect_key($house, array_flip(['meter', 'upstream', 'co_alarms', 'bus_a', 'regulators'])),
        ]);
        $switchOf('Rill Street bookmobile')->update([
            'survey' => [
                'cord_m' => 9.1,
                'cord_size' => '6',
                'cord_end' => 'good',
                'multiwire' => 'yes',
                'converter_circuit' => 'yes',
                'co_alarms' => 'yes',
                'opening_m' => 7.5,
                'exhaust_away' => 'yes',
                'generator_breaker_found' => 'on',
                'ventilated' => 'yes',
                'selector' => 'both',
                'outlet_gfci' => 'no',
                'tank_gal' => 3,
            ],
        ]);
        $switchOf('Saltmarsh pumping station')->update([
            'survey' => [
                'upstream' => 'disconnect', 'inspection' => 'yes', 'clearance' => 'yes', 'opening_m' => 4.5, 'wall_m' => 6,
                'co_alarms' => 'yes', 'vents_clear' => 'yes', 'flood' => 'yes', 'system_class' => 'legally_required', 'dwelling' => 'no',
                'listed' => 'yes', 'electrically_held' => 'no', 'start_circuit_supervised' => 'no', 'withstand_basis' => 'listed_device',
                'withstand_device_ok' => 'yes', 'service_aic_ka' => 36, 'panel_aic_ka' => 15, 'emergency_stop' => 'yes',
                'source_sign' => 'yes',
            ],
        ]);
        foreach ([
            ['Panel, cover on, before anything was touched', 'panels', 'before', 'PANEL 200 A', 20, false, 'plate_panel'],
            ['Line side as found, opened by the electrician, dead', 'service', 'before', 'Q1 LINE SIDE', 0, true, null],
            ['Neutrals and grounds parted', 'panels', 'after', 'PANEL 200 A', 18, true, null],
            ['Sign beside the meter', 'rules', 'after', 'SECOND SOURCE: NORTH WALL', 0, false, 'source_sign'],
        ] as [$caption, $subject, $moment, $label, $breakers, $isOpen, $shows]) {
            $file = DemoPicture::of($label, $breakers, $isOpen);
            KeptPhoto::of(
                Picture::of($file) ?? throw new \LogicException('the demo draws pictures that can be read'),
                $juniper,
                $this->milo,
                ['id' => Uuid::uuid4()->toString(), 'subject' => $subject, 'moment' => $moment, 'caption' => $caption,
                    'shows' => $shows],
            );
            unlink((string) $file->getRealPath());
        }
    }

    private function plan(Carbon $now): void
    {
        Carbon::setTestNow($now->copy()->subDays(4)->setTime(10, 40));
        $this->planned(
            Site::query()->where('name', 'Otter Bend Veterinary Clinic')->firstOrFail()->switches()->firstOrFail(),
            null,
            23,
            null,
        );
    }

    /** @param null|array<string, mixed> $powerDown */
    private function planned(TransferSwitch $switch, ?string $choice, int $grounds, ?array $powerDown): void
    {
        Plan::query()->create([
            'company_id' => $switch->company_id, 'switch_id' => $switch->id, 'user_id' => $this->rosa->id, 'choice' => $choice,
            'choice_reason' => $choice === null ? null : 'The owner keeps everything in an ordinary outage; the heater waits.',
            'facts' => [
                'generator_breaker_a' => 100,
                'fault_ka' => 10,
                'generator_xd2_pct' => 12,
                'code_edition' => 'NEC 2023, as adopted by the county',
                'withstand_ka' => 22,
                'neutral_switched' => false,
                'generator_bonded' => true,
                'panel_bonded' => true,
                'grounds_on_neutral_bar' => $grounds,
                'ground_bar_free' => 4,
            ],
            'power_down' => $powerDown,
        ]);
    }

    private function van(): void
    {
        $switch = Site::query()->where('name', 'Rill Street bookmobile')->firstOrFail()->switches()->firstOrFail();
        Plan::query()->create([
            'company_id' => $switch->company_id,
            'switch_id' => $switch->id,
            'user_id' => $this->milo->id,
            'facts' => ['neutral_switched' => true, 'generator_bonded' => true, 'panel_bonded' => false],
            'mobile' => [
                'battery_kwh' => 3.6,
                'stations' => 1,
                'chemistry' => 'lfp',
                'inverter_kw' => 3,
                'inverter_a' => 30,
                'charger' => 'Converter',
                'jumper' => '1',
                'maker_allows' => 'unknown',
                'alternate_ever_240' => '1',
                'feeder_neutral_a' => 55, 'cord_m' => 7.62, 'cord_size' => '10', 'cord_breaker_a' => 30,
            ],
        ]);
    }

    private function library(Carbon $now): void
    {
        Carbon::setTestNow($now->copy()->subDays(2)->setTime(17, 15));
        $set = static fn(int $atMs, int $v): array => ['at_ms' => $atMs, 'do' => 'set_source', 'source' => 'normal', 'v' => $v];
        Scenario::query()->create([
            'company_id' => $this->rosa->company_id, 'user_id' => $this->rosa->id, 'name' => 'Three tries of the line crew',
            'teaches' => 'The supply comes back twice before it stays: count how often the house would have moved.',
            'phases' => 2, 'nominal_v' => 120, 'nominal_hz' => 60,
            'events' => [$set(10_000, 0), $set(70_000, 120), $set(85_000, 0), $set(160_000, 120), $set(190_000, 0), $set(260_000, 120)],
        ]);
        $source = new Source(2, 120, 60);
        $events = [];
        foreach ((new Climate(60_000, 2, 90_000, 40, 1.5, 20_000, 20, 240, 0.5, 1, 11))->disturbances(120) as $disturbance) {
            foreach ($disturbance['events'] as $event) {
                $events[] = new ScenarioEvent(
                    $disturbance['at_ms'] + $event['at_ms'],
                    Verb::SetSource,
                    Side::Normal,
                    [$event['v'], $event['v']],
                );
            }
        }
        $untilMs = 3_600_000;
        $series = (new UtilityTrace(
            $source,
            array_values(array_filter($events, static fn(ScenarioEvent $event): bool => $event->atMs < $untilMs - 120_000)),
            $untilMs,
        ))->series();
        Recording::query()->create([
            'company_id' => $this->milo->company_id, 'user_id' => $this->milo->id, 'name' => 'Saltmarsh feeder, the storm of 3 November',
            'source' => 'Made up for the demo, a table of RMS values',
            'phases' => 2,
            'nominal_v' => 120,
            'nominal_hz' => 60,
            'until_ms' => $series->untilMs,
            'points' => count($series->atMs), 'series' => RecordingSeries::pack($series),
        ]);
    }

    private function season(Carbon $now): void
    {
        Carbon::setTestNow($now->copy()->subDay()->setTime(9, 5));
        $switch = Site::query()->where('name', 'Juniper Row 14')->firstOrFail()->switches()->with(['loads', 'sheet'])->firstOrFail();
        $facts = new SwitchFacts($switch);
        $sheet = $switch->sheet->settings ?? [];
        $candidates = [];
        foreach ([5, 30, 60, 120, 300, 600, 900] as $seconds) {
            $candidates[] = ['name' => "Return delay $seconds s", 'settings' => ['return_delay_ms' => $seconds * 1000] + $sheet];
        }
        foreach ([1, 10] as $seconds) {
            $candidates[] = ['name' => "Start delay $seconds s", 'settings' => ['start_delay_ms' => $seconds * 1000] + $sheet];
        }
        $season = Season::query()->create([
            'company_id' => $switch->company_id,
            'switch_id' => $switch->id,
            'user_id' => $this->rosa->id,
            'title' => '365 days, drawn with seed 7',
            'state' => SeasonState::Waiting,
            'input' => [
                'system' => $facts->plant->toArray(), 'candidates' => $candidates, 'fuel' => ['idle_l_h' => 2.6, 'loaded_l_h' => 5.8],
                'disturbances' => (new Climate(40, 8, 60, 45, 2, 14, 20, 28_800, 0.4, 365, 7))->disturbances(120),
                'until_ms' => 31_536_000_000,
            ],
        ]);
        (new PlaySeason($season->id))->handle();
    }

    /**
     * @param array<string, mixed>                                $facts
     * @param array<string, mixed>                                $parts
     * @param list<array{string, int|float, int, bool, bool}> $loads
     * @param array<string, int>                                  $nominal
     */
    private function site(
        string $name,
        InstallationKind $kind,
        array $facts,
        array $parts,
        array $loads,
        array $nominal = [],
    ): TransferSwitch {
        $site = Site::query()->create($facts + [
            'company_id' => $this->rosa->company_id,
            'name' => $name,
            'installation' => $kind,
            'timezone' => 'America/New_York',
            'units' => 'us',
        ]);
        $template = new SheetTemplate($kind);
        $plant = $template->plant()->toArray();
        foreach (['normal', 'emergency'] as $side) {
            $plant['sources'][$side] = $nominal + $plant['sources'][$side];
        }
        $switch = TransferSwitch::query()->create($parts + [
            'company_id' => $site->company_id,
            'site_id' => $site->id,
            'name' => 'Q1',
            'application' => $template->application(),
            'plant' => $plant,
            'service_rated' => false, 'has_compressor' => false, 'largest_motor_hp' => 0,
        ]);
        foreach ($loads as $place => [$load, $kw, $priority, $mustRun, $shed]) {
            LoadItem::query()->create([
                'company_id' => $site->company_id,
                'switch_id' => $switch->id,
                'place' => $place,
                'name' => $load,
                'kw' => $kw,
                'priority' => $priority,
                'must_run' => $mustRun, 'shed' => $shed, 'essential' => $mustRun,
                'connect' => $plant['sources']['normal']['phases'] === 2 ? ($kw >= 1.4
                    && $load !== 'Always on' ? 'L1L2' : ['L1', 'L2'][$place % 2]) : null,
                'compressor' => str_contains($load, 'Heat pump'), 'start_kva' => match ($load) {
                    'Heat pump' => 17,
                    'Well pump' => 6,
                    default => 0,
                },
            ]);
        }

        return $switch;
    }

    /** A service visit of the days before, signed: what was done stands in the logbook. */
    private function served(TransferSwitch $switch, Carbon $now): void
    {
        Carbon::setTestNow($now->copy()->subDays(3)->setTime(13, 10));
        $visit = $this->opener->open($switch->fresh() ?? $switch, $this->milo, 0, service: [
            'engine' => true, 'enclosure' => false, 'items' => ['oil_and_filter', 'air_filter', 'battery_test', 'charger_check'],
        ]);
        $this->work->through($visit->refresh(), $this->milo, 'Jo Tamarack', self::SIGNATURE);
        Carbon::setTestNow(Carbon::now()->addMinutes(80));
        $this->closer->close($visit->refresh(), $this->milo, 'Milo Tern', self::SIGNATURE);
    }

    /** @param array<string, mixed> $changes against the template */
    private function sheet(
        TransferSwitch $switch,
        User $author,
        Standing $standing,
        string $note,
        array $changes = [],
        ReturnDelayMethod $school = ReturnDelayMethod::StormWise,
    ): void {
        $settings = (new SheetTemplate($switch->site->installation, $school))->settings()->toWire();
        $this->sheets->write($switch, MergePatch::apply($settings, $changes), [
            'exercise' => ['day' => 'tue', 'time' => '12:00', 'every' => 'weekly', 'for_min' => 15, 'with_load' => false],
            'load_tests_per_year' => 4,
        ], $standing, $note, $author, (int) $switch->sheets()->max('version'));
    }

    /**
     * @param list<array{string, int}> $marks
     * @param ?string                  $owner who was there: then the whole procedure is worked through
     */
    private function timed(
        TransferSwitch $switch,
        User $user,
        array $marks,
        string $signer,
        ?string $owner = null,
        bool $isInstalled = true,
    ): void {
        $run = $this->opener->open(
            $switch->fresh() ?? $switch,
            $user,
            500,
            ['install' => $owner !== null && $isInstalled, 'test_button' => $owner !== null && $isInstalled],
        );
        $this->marks($run, $user, $marks);
        if ($owner !== null) {
            $this->work->through($run->refresh(), $user, $owner, self::SIGNATURE);
        }
        Carbon::setTestNow(Carbon::now()->addMinutes(15));
        $this->closer->close($run->refresh(), $user, $signer, self::SIGNATURE);
    }

    /** @param list<array{string, int}> $marks */
    private function marks(Run $run, User $user, array $marks): void
    {
        $begin = Carbon::now();
        $this->keeper->keep($run, $user, array_map(static fn(array $mark): array => [
            'id' => Uuid::uuid4()->toString(),
            'event' => $mark[0],
            'at_ms' => $mark[1],
            'client_wall' => $begin->copy()->addMilliseconds($mark[1])->toIso8601ZuluString('millisecond'),
        ], $marks));
    }
}
