<?php

declare(strict_types=1);

namespace App\Stage\Commissioning;

use App\Bridge\LoadTestFacts;
use App\Bridge\ProcedureFacts;
use App\Bridge\ProcedureWork;
use App\Models\Photo;
use App\Models\Run;
use App\Models\StepAnswer;
use App\Models\User;
use App\Stage\SiteStanding;
use Escapement\Core\Commissioning\Procedure\Derived;
use Escapement\Core\Commissioning\Procedure\Progress;
use Escapement\Core\Commissioning\Procedure\Stage;
use Escapement\Core\Commissioning\Procedure\Step;
use Escapement\Core\Commissioning\Procedure\StepState;
use Escapement\Core\Commissioning\Procedure\TimedSteps;
use Escapement\Core\Commissioning\Procedure\Verdict;
use Escapement\Core\Commissioning\Repeats;
use Escapement\Core\Finding\WorkingLine;
use Escapement\Core\Settings\SheetWords;
use Illuminate\Support\Carbon;

/** A procedure as it is worked through: the step that is next, and all of it below. */
final readonly class ProcedurePage
{
    private const NEEDS = [
        'sheet', 'user', 'answers.user', 'photos', 'marks.user', 'switch.site.switches', 'switch.loads', 'switch.plan',
        'switch.sheet.user', 'switch.run.sheet', 'switch.run.user', 'switch.proofs', 'switch.loadTest',
    ];

    public SiteStanding $standing;
    public ProcedureFacts $facts;
    public Progress $progress;
    private RunResult $result;
    private ?Step $next;
    /** @var array<string, list<StepAnswer>> the latest first */
    private array $answersByStep;
    /** @var array<string, list<Photo>> */
    private array $photosByStep;
    /** @var array<string, WorkingLine> what the load test of the day has read, by step */
    private array $loadTest;

    /**
     * @param null|array{step: string, field: string, message: string, typed: array<string, string>} $fault of the answer that was refused
     */
    private function __construct(public Run $run, public ?array $fault, string $wanted)
    {
        $this->standing = new SiteStanding($run->switch->site, $run->switch);
        $this->facts = new ProcedureFacts($run);
        $this->loadTest = LoadTestFacts::forProcedure($run);
        $this->result = new RunResult($run);
        $this->progress = $this->facts->progress($this->result->verdict->runs);
        $answers = $photos = [];
        foreach ($run->answers as $answer) {
            $answers[$answer->step] = [$answer, ...$answers[$answer->step] ?? []];
        }
        foreach ($run->photos as $photo) {
            $photos[(string) $photo->step][] = $photo;
        }
        $this->answersByStep = $answers;
        $this->photosByStep = $photos;
        $chosen = $this->facts->steps[$wanted] ?? null;
        $this->next = $this->facts->steps[$fault['step'] ?? '']
            ?? ($chosen !== null && $this->isAnswerable($chosen) ? $chosen : null)
            ?? $this->facts->steps[$this->progress->next() ?? ''] ?? null;
    }

    /** @param null|array{step: string, field: string, message: string, typed: array<string, string>} $fault */
    public static function of(Run $run, ?array $fault, string $wanted = ''): self
    {
        return new self($run->load(self::NEEDS), $fault, $wanted);
    }

    public function mayAnswer(): bool
    {
        return ! $this->run->isSigned();
    }

    /** What is asked now: the step whose answer was refused, else the one that was chosen, else the first that is open. */
    public function next(): ?Step
    {
        return $this->next;
    }

    /**
     * @return list<Step> what may be asked before the page is loaded again, in order: without a network
     *                    the phone goes on by itself, and goes back to correct
     */
    public function asked(): array
    {
        return $this->mayAnswer() ? array_values($this->facts->steps) : [];
    }

    public function isAnswerable(Step $step): bool
    {
        return $this->state($step) !== StepState::Locked;
    }

    /** @return list<string> */
    public function closed(): array
    {
        return array_keys(array_filter($this->progress->states, static fn(StepState $state): bool => $state->isClosed()));
    }

    /** The one in sight behind it. */
    public function afterNext(): ?Step
    {
        $isPast = false;
        foreach ($this->facts->steps as $step) {
            if ($isPast && ! $this->progress->states[$step->id]->isClosed()) {
                return $step;
            }
            $isPast = $isPast || $step->id === $this->next()?->id;
        }

        return null;
    }

    /** @return array<string, list<Step>> by the title of the stage */
    public function stages(): array
    {
        $stages = [];
        foreach ($this->facts->stages as $id => $steps) {
            $stages[Stage::from($id)->title()] = $steps;
        }

        return $stages;
    }

    /** @param list<Step> $steps */
    public function closedOf(array $steps): int
    {
        return count(array_filter($steps, fn(Step $step): bool => $this->state($step)->isClosed()));
    }

    public function state(Step $step): StepState
    {
        return $this->progress->states[$step->id];
    }

    /** Times are read to the tenth, as on the stopwatch, and judged to the millisecond. */
    public function expect(Step $step): string
    {
        return $step->window?->minMs === null
            || $step->window->maxMs === null
                ? $step->expectation
                : RunResult::tenths($step->window->minMs) . ' to ' . RunResult::tenths($step->window->maxMs);
    }

    /** @param list<Step> $steps */
    public function isWorkedOn(array $steps): bool
    {
        return in_array($this->next()?->id, array_map(static fn(Step $step): string => $step->id, $steps), true);
    }

    public function stateWords(Step $step): string
    {
        return match ($this->state($step)) {
            StepState::Open => 'open',
            StepState::Locked => 'waits for ' . $this->facts->steps[$this->progress->waitsFor[$step->id][0]]->title,
            StepState::Done => 'done',
            StepState::Noted => 'closed with a note',
            StepState::Skipped => 'left out',
            StepState::NotSo => 'not as it should be',
            StepState::Stopped => 'a finding stands against it',
            StepState::Reopened => 'open again',
        };
    }

    /** The hour of it at the site. */
    public function clock(Carbon $at): string
    {
        return $at->copy()->setTimezone($this->run->switch->site->timezone)->format('H:i');
    }

    /** What the note of a step is for, behind the word Note. */
    public function noteAsks(Step $step, string $kind): string
    {
        return match (true) {
            $step->asks !== null => ': ' . lcfirst($step->asks),
            in_array($kind, ['confirm', 'choose'], true) => ', needed when it does not match',
            default => '',
        };
    }

    /** @return 'proven'|'warn'|'stop'|'note' */
    public function glyph(Step $step): string
    {
        return match ($this->state($step)) {
            StepState::Done => 'proven',
            StepState::Noted, StepState::Skipped, StepState::Reopened => 'warn',
            StepState::NotSo, StepState::Stopped => 'stop',
            StepState::Open, StepState::Locked => 'note',
        };
    }

    /** @return list<StepAnswer> all that were given to a step, the latest first */
    public function answers(Step $step): array
    {
        return $this->answersByStep[$step->id] ?? [];
    }

    public function given(StepAnswer $answer, Step $step): string
    {
        return GivenWords::of($answer->given, $step);
    }

    /** Two people answered one step differently: both are kept, and somebody has to look. */
    public function isDisputed(Step $step): bool
    {
        $verdicts = [];
        foreach ($this->answers($step) as $answer) {
            if ($answer->judged()->answers($step)) {
                $verdicts[$answer->user_id] ??= $answer->verdict;
            }
        }

        return count($verdicts) > 1 && count(array_unique(array_map(
            static fn(Verdict $verdict): string => $verdict->value,
            $verdicts,
        ))) > 1;
    }

    /** What its figure comes to by what was measured before; null while that is not known. */
    public function derived(Step $step): ?WorkingLine
    {
        $values = [];
        foreach ($this->run->answers as $answer) {
            if (is_numeric($answer->given['value'] ?? null)) {
                $values[$answer->step] = (float) $answer->given['value'];
            }
        }

        $switchA = ($this->run->work ?? [])['options']['switch_a'] ?? null;

        return Derived::of($step->id, $values, is_numeric($switchA) ? (float) $switchA : null) ?? $this->loadTest[$step->id] ?? null;
    }

    /** Where the finding that stands against a step is put right. */
    public function putRightAt(Step $step): string
    {
        $page = match (true) {
            $step->id === 'install/torque-tool' => 'pack-list',
            str_starts_with($step->id, 'install/pull-') => 'wires',
            default => 'landing',
        };

        return route($page, $this->run->switch);
    }

    /** @return list<Photo> that have arrived for a step */
    public function photos(Step $step): array
    {
        return $this->photosByStep[$step->id] ?? [];
    }

    /** What the stopwatch says of a timed step; null while nothing is timed. */
    public function timed(Step $step): ?string
    {
        $measured = TimedSteps::measuredMs($step, $this->result->verdict->runs);
        $repeats = new Repeats($measured);

        return match (true) {
            $repeats->medianMs === null => null,
            $repeats->count === 1 => SheetWords::seconds($repeats->medianMs),
            default => SheetWords::seconds($repeats->medianMs) . " in the middle of $repeats->count, "
                . SheetWords::seconds((int) $repeats->spreadMs) . ' apart',
        };
    }

    /** @return list<string> who is where, by their last answers */
    public function people(): array
    {
        $last = [];
        foreach ($this->run->answers as $answer) {
            $last[$answer->user_id] = $answer;
        }

        return array_values(array_map(
            fn(StepAnswer $answer): string => $answer->user->name . ': '
                . mb_strtolower(Stage::from(explode('/', $answer->step)[0])->title()) . ', '
                    . $answer->received_at->copy()->setTimezone($this->run->switch->site->timezone)->format('H:i'),
            $last,
        ));
    }

    public function isPlanChanged(): bool
    {
        return ! $this->run->isSigned() && ProcedureWork::changedSince($this->run) !== null;
    }

    public function newerVersion(): ?int
    {
        $version = $this->run->switch->sheet->version ?? 0;

        return $version > $this->run->sheet->version && ! $this->run->isSigned() ? $version : null;
    }

    public function instrument(Step $step): string
    {
        return $step->instrument === '' ? '' : ", by $step->instrument";
    }

    /** Who is expected to sign a step: the technician who is here, or the owner. */
    public function signer(Step $step, User $here): ?string
    {
        return $step->id === 'clean_up/sign-technician' ? $here->name : $this->run->switch->site->owner;
    }
}
