<?php

declare(strict_types=1);

namespace Escapement\Core\Wire;

use Escapement\Core\Commissioning\Mark;
use Escapement\Core\Commissioning\MarkEvent;
use Escapement\Core\Commissioning\TimingVerdict;
use Escapement\Core\Finding\Finding;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Rehearsal\FinerInput;
use Escapement\Core\Rehearsal\Overload;
use Escapement\Core\Rehearsal\OverloadSpan;
use Escapement\Core\Rehearsal\Rehearsal;
use Escapement\Core\Settings\Change;
use Escapement\Core\Settings\SettingsDiff;
use Escapement\Core\SettingsCheck\SettingsCheck;
use Escapement\Core\Topology\BondingCheck;
use Escapement\Core\Topology\OneLineLayout;
use Escapement\Core\Topology\TopologyCheck;
use Escapement\Core\Wire\Device\BenchReader;
use Escapement\Core\Wire\Device\LogMarksReader;
use Escapement\Core\Wire\Device\LogReadingsReader;
use Escapement\Core\Wire\Device\RegisterImageReader;
use Escapement\Core\Wire\LoadTest\ExerciseValueReader;
use Escapement\Core\Wire\LoadTest\LoadTestPlanReader;
use Escapement\Core\Wire\LoadTest\LoadTestReader;
use Escapement\Core\Wire\LoadTest\LoadTestTrendReader;
use Escapement\Core\Wire\LoadTest\StepTransientsReader;
use Escapement\Core\Wire\Panel\FeederScheduleReader;
use Escapement\Core\Wire\Panel\NeutralEarthReader;
use Escapement\Core\Wire\Panel\PhaseBalanceReader;
use Escapement\Core\Wire\Panel\RelayPlayReader;
use Escapement\Core\Wire\Panel\TerminalListReader;
use Escapement\Core\Wire\Power\BatteryRuntimeReader;
use Escapement\Core\Wire\Power\DemandReader;
use Escapement\Core\Wire\Power\FuelReader;
use Escapement\Core\Wire\Power\MotorStartReader;
use Escapement\Core\Wire\Power\PowerFactorBankReader;
use Escapement\Core\Wire\Power\ShedPlanReader;
use Escapement\Core\Wire\Power\SingleLegJumperReader;
use Escapement\Core\Wire\Power\SizingReader;
use Escapement\Core\Wire\Power\SourceRatingReader;
use Escapement\Core\Wire\Power\StepSequenceReader;
use Escapement\Core\Wire\Power\ThreePhaseMeterReader;
use Escapement\Core\Wire\Schedule\ExerciseCalendarReader;
use Escapement\Core\Wire\Schedule\ExerciseClashesReader;
use Escapement\Core\Wire\Schedule\LogbookReader;
use Escapement\Core\Wire\Schedule\ServiceDueReader;
use Escapement\Core\Wire\Schedule\StormReadinessReader;
use Escapement\Core\Wire\Schedule\VisitPlanReader;
use Escapement\Core\Wire\Topology\BondingReader;
use Escapement\Core\Wire\Topology\OneLineReader;
use Escapement\Core\Wire\Wiring\ColoursReader;
use Escapement\Core\Wire\Wiring\ConductorReader;
use Escapement\Core\Wire\Wiring\FaultCurrentReader;
use Escapement\Core\Wire\Wiring\GroundingReader;
use Escapement\Core\Wire\Wiring\MobileCableReader;
use Escapement\Core\Wire\Wiring\PullBoxReader;
use Escapement\Core\Wire\Wiring\RacewayFillReader;
use Escapement\Core\Wire\Wiring\ServiceSplitReader;
use Escapement\Core\Wire\Wiring\TorqueReader;
use Escapement\Core\Wire\Wiring\VoltageDropReader;

/** Every calculation by the name it has on the command line: one decoded object in, one out. */
final readonly class Calculations
{
    public const NAMES = [
        'settings_check', 'settings_diff', 'settings_compare', 'timing_verdict', 'run_verdict',
        'demand', 'source_rating', 'sizing', 'motor_start', 'step_sequence', 'shed_plan', 'battery_runtime', 'single_leg_jumper', 'fuel',
        'load_test_plan',
        'load_test_evaluate',
        'exercise_value',
        'step_transients',
        'load_test_trend',
        'power_factor_bank',
        'three_phase_meter',
        'neutral_earth',
        'phase_balance',
        'relay_play',
        'terminal_list',
        'exercise_calendar',
        'service_due',
        'exercise_clashes',
        'visit_plan',
        'storm_readiness',
        'logbook_summary',
        'log_to_marks',
        'log_to_readings',
        'register_image',
        'bench_play',
        'feeder_schedule3',
        'conductor',
        'voltage_drop',
        'grounding',
        'raceway_fill',
        'pull_box',
        'torque',
        'colours',
        'service_split',
        'mobile_cable',
        'fault_current',
        'topology',
        'bonding',
        'relay_check',
        'one_line_layout',
        'wiring_view',
        'outage_test_point',
        'power_down',
        'survey_check',
        'procedure',
        'standing',
    ];

    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function rehearse(Node $input): array
    {
        $scenario = (new ScenarioReader())->scenario($input);
        $result = Rehearsal::play($scenario);
        $findings = array_values(array_filter([FinerInput::finding($scenario)]));
        $overloads = [];
        if ($scenario->sourceKw !== null) {
            $overload = new Overload($scenario, $result, $scenario->sourceKw);
            array_push($findings, ...array_filter([$overload->finding()]));
            $overloads = ['overloads' => array_map(static fn(OverloadSpan $span): array => $span->toArray(), $overload->spans)];
        }
        $hasFindings = $findings !== [] || $overloads !== [];

        return $result->toArray() + $overloads + ($hasFindings ? [
            'findings' => array_map(static fn(Finding $finding): array => $finding->toArray(), Finding::worstFirst($findings)),
        ] : []);
    }

    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function calc(string $name, Node $input): array
    {
        return match ($name) {
            'settings_check' => (new SettingsCheck())->check((new CheckReader())->input($input))->toArray(),
            'settings_diff' => $this->settingsDiff($input),
            'settings_compare' => (new CompareReader())->comparison($input)->compare(),
            'timing_verdict' => $this->timingVerdict($input, self::outageMark(...)),
            'run_verdict' => $this->timingVerdict($input, self::mark(...)),
            'demand' => (new DemandReader())->answer($input),
            'source_rating' => (new SourceRatingReader())->answer($input),
            'sizing' => (new SizingReader())->answer($input),
            'motor_start' => (new MotorStartReader())->answer($input),
            'step_sequence' => (new StepSequenceReader())->answer($input),
            'shed_plan' => (new ShedPlanReader())->answer($input),
            'battery_runtime' => (new BatteryRuntimeReader())->answer($input),
            'single_leg_jumper' => (new SingleLegJumperReader())->answer($input),
            'fuel' => (new FuelReader())->answer($input),
            'load_test_plan' => (new LoadTestPlanReader())->answer($input),
            'load_test_evaluate' => (new LoadTestReader())->answer($input),
            'exercise_value' => (new ExerciseValueReader())->answer($input),
            'step_transients' => (new StepTransientsReader())->answer($input),
            'load_test_trend' => (new LoadTestTrendReader())->answer($input),
            'power_factor_bank' => (new PowerFactorBankReader())->answer($input),
            'three_phase_meter' => (new ThreePhaseMeterReader())->answer($input),
            'neutral_earth' => (new NeutralEarthReader())->answer($input),
            'phase_balance' => (new PhaseBalanceReader())->answer($input),
            'relay_play' => (new RelayPlayReader())->answer($input),
            'terminal_list' => (new TerminalListReader())->answer($input),
            'exercise_calendar' => (new ExerciseCalendarReader())->answer($input),
            'service_due' => (new ServiceDueReader())->answer($input),
            'exercise_clashes' => (new ExerciseClashesReader())->answer($input),
            'visit_plan' => (new VisitPlanReader())->answer($input),
            'storm_readiness' => (new StormReadinessReader())->answer($input),
            'logbook_summary' => (new LogbookReader())->answer($input),
            'log_to_marks' => (new LogMarksReader())->answer($input),
            'log_to_readings' => (new LogReadingsReader())->answer($input),
            'bench_play' => (new BenchReader())->answer($input),
            'register_image' => (new RegisterImageReader())->answer($input),
            'feeder_schedule3' => (new FeederScheduleReader())->answer($input),
            'conductor' => (new ConductorReader())->answer($input),
            'voltage_drop' => (new VoltageDropReader())->answer($input),
            'grounding' => (new GroundingReader())->answer($input),
            'raceway_fill' => (new RacewayFillReader())->answer($input),
            'pull_box' => (new PullBoxReader())->answer($input),
            'torque' => (new TorqueReader())->answer($input),
            'colours' => (new ColoursReader())->answer($input),
            'service_split' => (new ServiceSplitReader())->answer($input),
            'mobile_cable' => (new MobileCableReader())->answer($input),
            'fault_current' => (new FaultCurrentReader())->answer($input),
            'topology' => TopologyCheck::of((new OneLineReader())->whole($input))->answer()->toArray(),
            'bonding' => BondingCheck::of((new BondingReader())->model($input))->answer()->toArray(),
            'one_line_layout' => OneLineLayout::of((new OneLineReader())->drawing($input))->answer()->toArray(),
            'relay_check' => (new RelayCheckReader())->answer($input),
            'wiring_view' => (new WiringViewReader())->answer($input),
            'outage_test_point' => (new OutageTestPointReader())->answer($input),
            'power_down' => (new PowerDownReader())->answer($input),
            'survey_check' => (new SurveyReader())->answer($input),
            'procedure' => (new ProcedureReader())->answer($input),
            'standing' => (new StandingReader())->answer($input),
            default => throw new BadInput('', "There is no calculation \"$name\". There are: " . implode(', ', self::NAMES) . '.'),
        };
    }

    /**
     * One line of `calc --lines`: {"calc", "input"}.
     *
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function calcLine(Node $line): array
    {
        $object = $line->object();
        $name = $object->required('calc')->oneOf(self::NAMES);
        $input = $object->required('input');
        $object->close();

        return $this->calc($name, new Node($input->value));
    }

    /** @return array<string, mixed> */
    private function settingsDiff(Node $input): array
    {
        $object = $input->object();
        $reader = new SettingsReader();
        $from = $reader->settings($object->required('from'), null);
        $to = $reader->settings($object->required('to'), null);
        $object->close();
        $changes = (new SettingsDiff())->compare($from, $to);

        return [
            'changes' => array_map(static fn(Change $change): array => $change->toArray(), $changes),
            'findings' => [],
            'working' => [],
        ];
    }

    /**
     * @param \Closure(Node): Mark $mark
     *
     * @return array<string, mixed>
     */
    private function timingVerdict(Node $input, \Closure $mark): array
    {
        $object = $input->object();
        $plant = (new PlantReader())->plant($object->required('system'));
        $settings = (new SettingsReader())->settings($object->required('settings'), $plant);
        $marks = array_map($mark, $object->required('marks')->list(0, 10_000));
        $reactionMs = $object->optional('reaction_ms')?->integer(0, 60_000) ?? 500;
        $object->close();

        return (new TimingVerdict($plant, $settings, $reactionMs))->judge($marks)->toArray();
    }

    /** A mark of an outage: the law of timing_verdict knows no test button. */
    private static function outageMark(Node $node): Mark
    {
        $mark = self::mark($node);

        return $mark->event->isOfButton() ? throw $node->object()->required('event')->bad(
            'A mark of a test by the button belongs into run_verdict.',
        ) : $mark;
    }

    private static function mark(Node $node): Mark
    {
        $object = $node->object();
        $mark = new Mark(
            $object->required('event')->enum(MarkEvent::class),
            $object->required('at_ms')->ms(),
            $object->optional('id')?->text(),
            $object->optional('undone')?->bool() ?? false,
        );
        $object->close();

        return $mark;
    }
}
