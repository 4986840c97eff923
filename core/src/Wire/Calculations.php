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
        'settings_check', 'settings_diff', 'settings_compare', 'timing_verdict', 'run_verdict', 'demand', 'source_rating', 'sizing',
        'motor_start', 'step_sequence', 'shed_plan', 'battery_runtime', 'single_leg_jumper', 'fuel', 'load_test_plan',
        'load_test_evaluate', 'exercise_value', 'step_transients', 'load_test_trend', 'power_factor_bank', 'three_phase_meter',
        'neutral_earth', 'phase_balance', 'relay_play', 'terminal_list', 'exercise_calendar', 'service_due', 'exercise_clashes',
        'visit_plan', 'storm_readiness', 'logbook_summary', 'log_to_marks', 'log_to_readings', 'register_image', 'bench_play',
        'feeder_schedule3', 'conductor', 'voltage_drop', 'grounding', 'raceway_fill', 'pull_box', 'torque', 'colours', 'service_split',
        'mobile_cable', 'fault_current', 'topology', 'bonding', 'relay_check', 'one_line_layout', 'wiring_view', 'outage_test_point',
        'power_down', 'survey_check', 'procedure', 'standing',
    ];

    /** @var array<string, class-string<Reader>> whose reader answers by itself */
    private const READERS = [
        'settings_check' => CheckReader::class,
        'settings_compare' => CompareReader::class,
        'demand' => DemandReader::class,
        'source_rating' => SourceRatingReader::class,
        'sizing' => SizingReader::class,
        'motor_start' => MotorStartReader::class,
        'step_sequence' => StepSequenceReader::class,
        'shed_plan' => ShedPlanReader::class,
        'battery_runtime' => BatteryRuntimeReader::class,
        'single_leg_jumper' => SingleLegJumperReader::class,
        'fuel' => FuelReader::class,
        'load_test_plan' => LoadTestPlanReader::class,
        'load_test_evaluate' => LoadTestReader::class,
        'exercise_value' => ExerciseValueReader::class,
        'step_transients' => StepTransientsReader::class,
        'load_test_trend' => LoadTestTrendReader::class,
        'power_factor_bank' => PowerFactorBankReader::class,
        'three_phase_meter' => ThreePhaseMeterReader::class,
        'neutral_earth' => NeutralEarthReader::class,
        'phase_balance' => PhaseBalanceReader::class,
        'relay_play' => RelayPlayReader::class,
        'terminal_list' => TerminalListReader::class,
        'exercise_calendar' => ExerciseCalendarReader::class,
        'service_due' => ServiceDueReader::class,
        'exercise_clashes' => ExerciseClashesReader::class,
        'visit_plan' => VisitPlanReader::class,
        'storm_readiness' => StormReadinessReader::class,
        'logbook_summary' => LogbookReader::class,
        'log_to_marks' => LogMarksReader::class,
        'log_to_readings' => LogReadingsReader::class,
        'register_image' => RegisterImageReader::class,
        'bench_play' => BenchReader::class,
        'feeder_schedule3' => FeederScheduleReader::class,
        'conductor' => ConductorReader::class,
        'voltage_drop' => VoltageDropReader::class,
        'grounding' => GroundingReader::class,
        'raceway_fill' => RacewayFillReader::class,
        'pull_box' => PullBoxReader::class,
        'torque' => TorqueReader::class,
        'colours' => ColoursReader::class,
        'service_split' => ServiceSplitReader::class,
        'mobile_cable' => MobileCableReader::class,
        'fault_current' => FaultCurrentReader::class,
        'relay_check' => RelayCheckReader::class,
        'wiring_view' => WiringViewReader::class,
        'outage_test_point' => OutageTestPointReader::class,
        'power_down' => PowerDownReader::class,
        'survey_check' => SurveyReader::class,
        'procedure' => ProcedureReader::class,
        'standing' => StandingReader::class,
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
        $reader = $this->reader($name);

        return $reader !== null ? $reader->answer($input) : match ($name) {
            'settings_diff' => $this->settingsDiff($input),
            'timing_verdict' => $this->timingVerdict($input, self::outageMark(...)),
            'run_verdict' => $this->timingVerdict($input, self::mark(...)),
            'topology' => TopologyCheck::of((new OneLineReader())->whole($input))->answer()->toArray(),
            'bonding' => BondingCheck::of((new BondingReader())->model($input))->answer()->toArray(),
            'one_line_layout' => OneLineLayout::of((new OneLineReader())->drawing($input))->answer()->toArray(),
            default => throw new BadInput('', "There is no calculation \"$name\". There are: " . implode(', ', self::NAMES) . '.'),
        };
    }

    /** Null where a calculation is put together of several readers. */
    public function reader(string $name): ?Reader
    {
        $class = self::READERS[$name] ?? null;

        return $class === null ? null : new $class();
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
