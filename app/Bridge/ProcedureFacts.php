<?php

declare(strict_types=1);

namespace App\Bridge;

use App\Models\Run;
use App\Models\StepAnswer;
use Escapement\Core\Commissioning\Procedure\JudgedAnswer;
use Escapement\Core\Commissioning\Procedure\Procedure;
use Escapement\Core\Commissioning\Procedure\Progress;
use Escapement\Core\Commissioning\Procedure\Step;
use Escapement\Core\Commissioning\TimedRun;
use Escapement\Core\Input\Node;
use Escapement\Core\Wire\ProcedureReader;

/** The procedure of a run and how far it is. Needs of the run: sheet, switch.site, switch.loads, switch.plan, answers. */
final readonly class ProcedureFacts
{
    public Procedure $procedure;
    /** @var array<string, list<Step>> by stage; built once, because the dozens of steps cost more than all else on their pages */
    public array $stages;
    /** @var array<string, Step> */
    public array $steps;

    public function __construct(private Run $run)
    {
        $work = $run->work ?? ProcedureWork::of($run->switch, $run->options ?? []);
        $input = ProcedureReader::asBegun(Node::fromArray(['system' => $run->plantThen(), 'settings' => $run->sheet->settings] + $work));
        $this->procedure = (new ProcedureReader())->procedure($input->object());
        $steps = [];
        $this->stages = $this->procedure->stages();
        foreach (array_merge(...array_values($this->stages)) as $step) {
            $steps[$step->id] = $step;
        }
        $this->steps = $steps;
    }

    /** @param list<TimedRun> $timed what the stopwatch says, in order */
    public function progress(array $timed): Progress
    {
        $answered = $this->run->answers->map(static fn(StepAnswer $answer): JudgedAnswer => $answer->judged());

        return Progress::ofRun(array_values($this->steps), array_values($answered->all()), $timed, $this->run->isSigned());
    }
}
