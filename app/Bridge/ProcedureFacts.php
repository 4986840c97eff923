<?php

declare(strict_types=1);

namespace App\Bridge;

use App\Models\LoadItem;
use App\Models\Run;
use App\Models\StepAnswer;
use Escapement\Core\Commissioning\Procedure\Answered;
use Escapement\Core\Commissioning\Procedure\Procedure;
use Escapement\Core\Commissioning\Procedure\ProcedureOptions;
use Escapement\Core\Commissioning\Procedure\Progress;
use Escapement\Core\Commissioning\Procedure\Step;
use Escapement\Core\Commissioning\Procedure\Surroundings;
use Escapement\Core\Commissioning\Procedure\Verdict;
use Escapement\Core\Commissioning\TimedRun;
use Escapement\Core\Settings\Fuel;
use Escapement\Core\Template\SitePlan;
use Escapement\Core\Topology\OneLineReader;
use Escapement\Core\Wire\Node;

/** The procedure of a run and how far it is. Needs of the run: sheet, switch.site, switch.loads, switch.plan, answers. */
final readonly class ProcedureFacts
{
    /** The schools that can be chosen, and whether they are by default. */
    public const SCHOOLS = ['bait' => true, 'manual_transfer' => false, 'load_bank' => false, 'owner_present' => true, 'photos' => true, 'droop' => false];
    /** Which step the stopwatch answers with which interval. */
    private const TIMED = [
        'start_signal' => 'simulated_outage/time-start-signal', 'engine_running' => 'simulated_outage/time-engine-running', 'transfer' => 'simulated_outage/time-transfer',
        'return' => 'return/time-return', 'engine_stop' => 'return/time-engine-stop',
    ];

    public Procedure $procedure;
    /** @var array<string, Step> */
    public array $steps;

    public function __construct(private Run $run)
    {
        $switch = $run->switch;
        $facts = new SwitchFacts($switch, $run->plantThen());
        $chosen = self::chosen($run->options ?? []);
        $surroundings = null;
        if (SitePlan::knows($switch->site->installation)) {
            $plan = (new PlanFacts($switch, $switch->plan))->plan;
            $surroundings = Surroundings::of((new OneLineReader())->whole(Node::fromArray($plan->drawing())), $plan->names());
        }
        $this->procedure = new Procedure($switch->site->installation->value, $facts->plant, $facts->settings($run->sheet->settings), new ProcedureOptions(
            $chosen['bait'],
            $chosen['manual_transfer'],
            $chosen['load_bank'],
            $chosen['owner_present'],
            $chosen['photos'],
            $chosen['droop'],
            burnsGas: $switch->fuel === Fuel::Lp || $switch->fuel === Fuel::NaturalGas,
            mustRun: array_values($switch->loads->filter(static fn(LoadItem $load): bool => $load->must_run)->map(static fn(LoadItem $load): string => $load->name)->all()),
        ), $surroundings);
        $steps = [];
        foreach ($this->procedure->steps() as $step) {
            $steps[$step->id] = $step;
        }
        $this->steps = $steps;
    }

    /**
     * @param array<mixed> $typed
     *
     * @return array{bait: bool, manual_transfer: bool, load_bank: bool, owner_present: bool, photos: bool, droop: bool}
     */
    public static function chosen(array $typed): array
    {
        $of = static fn(string $school): bool => (bool) ($typed[$school] ?? self::SCHOOLS[$school]);

        return ['bait' => $of('bait'), 'manual_transfer' => $of('manual_transfer'), 'load_bank' => $of('load_bank'), 'owner_present' => $of('owner_present'), 'photos' => $of('photos'), 'droop' => $of('droop')];
    }

    /** @param list<TimedRun> $timed what the stopwatch says, in order */
    public function progress(array $timed): Progress
    {
        $answered = $this->run->answers->map(static fn(StepAnswer $answer): Answered => new Answered($answer->step, $answer->expectation, $answer->verdict));
        $signed = $this->run->isSigned() ? ['clean_up/sign-technician' => Verdict::AsExpected] : [];

        return new Progress(array_values($this->steps), array_values($answered->all()), $this->timed($timed) + $signed);
    }

    /**
     * The latest time of an interval counts; those of all runs are shown as repeats.
     *
     * @param list<TimedRun> $timed
     *
     * @return array<string, Verdict>
     */
    private function timed(array $timed): array
    {
        $verdicts = [];
        foreach ($timed as $run) {
            foreach ($run->intervals as $interval) {
                $id = self::TIMED[$interval->event] ?? null;
                if ($id !== null && $interval->measuredMs !== null) {
                    $verdicts[$id] = $interval->verdict->value === 'pass' ? Verdict::AsExpected : Verdict::NotSo;
                }
            }
            foreach ($run->baits as $bait) {
                if ($bait->verdict !== 'void') {
                    $verdicts['bait_test/bait'] = $bait->verdict === 'pass' ? Verdict::AsExpected : Verdict::NotSo;
                }
            }
        }

        return $verdicts;
    }

    /**
     * @param list<TimedRun> $timed
     *
     * @return list<int> every time that was taken of what a step asks
     */
    public static function measuredMs(string $stepId, array $timed): array
    {
        $measured = [];
        foreach ($timed as $run) {
            foreach ($run->intervals as $interval) {
                if ((self::TIMED[$interval->event] ?? null) === $stepId && $interval->measuredMs !== null) {
                    $measured[] = $interval->measuredMs;
                }
            }
        }

        return $measured;
    }
}
