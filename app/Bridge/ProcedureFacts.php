<?php

declare(strict_types=1);

namespace App\Bridge;

use App\Models\Run;
use App\Models\StepAnswer;
use Escapement\Core\Commissioning\Procedure\Answered;
use Escapement\Core\Commissioning\Procedure\Procedure;
use Escapement\Core\Commissioning\Procedure\Progress;
use Escapement\Core\Commissioning\Procedure\Step;
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
        $input = ProcedureReader::asBegun(Node::fromArray(['system' => $run->plantThen(), 'settings' => $run->sheet->settings] + $work));
        $this->procedure = (new ProcedureReader())->procedure($input->object());
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

        return Progress::ofRun(array_values($this->steps), array_values($answered->all()), $timed, $this->run->isSigned());
    }
}
