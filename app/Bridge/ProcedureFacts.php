<?php

declare(strict_types=1);

namespace App\Bridge;

use App\Models\Run;
use App\Models\StepAnswer;
use Escapement\Core\Commissioning\Procedure\Answered;
use Escapement\Core\Commissioning\Procedure\Procedure;
use Escapement\Core\Commissioning\Procedure\Progress;
use Escapement\Core\Commissioning\Procedure\Step;
use Escapement\Core\Commissioning\Procedure\Verdict;
use Escapement\Core\Commissioning\TimedRun;
use Escapement\Core\Wire\Node;
use Escapement\Core\Wire\ProcedureReader;

/** The procedure of a run and how far it is. Needs of the run: sheet, switch.site, switch.loads, switch.plan, answers. */
final readonly class ProcedureFacts
{
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
        $work = $run->work ?? ProcedureWork::of($run->switch, $run->options ?? []);
        $this->procedure = (new ProcedureReader())->procedure(Node::fromArray(['system' => $run->plantThen(), 'settings' => $run->sheet->settings] + $work)->object());
        $steps = [];
        foreach ($this->procedure->steps() as $step) {
            $steps[$step->id] = $step;
        }
        $this->steps = $steps;
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
