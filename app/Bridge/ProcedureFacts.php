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
        $byEvent = array_flip(array_filter(array_map(static fn(Step $step): ?string => $step->window?->event, $this->steps)));
        foreach ($timed as $run) {
            foreach ($run->intervals as $interval) {
                $id = $byEvent[$run->nameOf($interval)] ?? null;
                if ($id !== null && $interval->measuredMs !== null) {
                    $verdicts[$id] = $interval->verdict->value === 'pass' ? Verdict::AsExpected : Verdict::NotSo;
                }
            }
            foreach ($run->baits as $bait) {
                if ($bait->verdict !== 'void' && isset($byEvent['bait'])) {
                    $verdicts[$byEvent['bait']] = $bait->verdict === 'pass' ? Verdict::AsExpected : Verdict::NotSo;
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
    public static function measuredMs(Step $step, array $timed): array
    {
        $measured = [];
        foreach ($timed as $run) {
            foreach ($run->intervals as $interval) {
                if ($run->nameOf($interval) === $step->window?->event && $interval->measuredMs !== null) {
                    $measured[] = $interval->measuredMs;
                }
            }
        }

        return $measured;
    }
}
