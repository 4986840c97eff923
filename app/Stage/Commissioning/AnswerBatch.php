<?php

declare(strict_types=1);

namespace App\Stage\Commissioning;

use App\Bridge\ProcedureFacts;
use App\Models\Run;
use App\Models\StepAnswer;
use App\Models\User;
use App\Stage\Maker;
use Escapement\Core\Commissioning\Procedure\AnswerFault;
use Escapement\Core\Commissioning\Procedure\AnswerJudge;
use Escapement\Core\Commissioning\Procedure\Progress;
use Escapement\Core\Commissioning\Procedure\Step;
use Escapement\Core\Commissioning\Procedure\StepState;
use Escapement\Core\Commissioning\Procedure\SubmittedAnswer;
use Escapement\Core\Commissioning\Procedure\Verdict;
use Illuminate\Support\Carbon;
use Illuminate\Support\Str;

/**
 * The answers of one request, judged one after the other against a procedure that is built once. What they change in its
 * progress is carried along, so that a thousand of them cost little more than their own judging.
 */
final class AnswerBatch
{
    private const MOST_PHOTOS = 40;
    private const AT_ONCE = 500;

    private readonly ProcedureFacts $facts;
    private Progress $progress;
    /** @var array<string, int> run by id of an answer that is there already, in whatever company */
    private array $known = [];
    /** @var list<StepAnswer> taken, not written yet */
    private array $taken = [];

    /**
     * @param Run         $run     locked, with what its procedure is made from
     * @param list<mixed> $answers to come
     */
    public function __construct(private readonly Run $run, private readonly User $user, private readonly AnswerJudge $judge, array $answers)
    {
        $this->facts = new ProcedureFacts($run);
        $this->progress = $this->facts->progress((new RunResult($run))->verdict->runs);
        $ids = array_values(array_filter(array_column(array_filter($answers, is_array(...)), 'id'), is_string(...)));
        foreach (array_chunk($ids, self::AT_ONCE) as $chunk) {
            $this->known += StepAnswer::query()->withoutGlobalScope('company')->whereIn('id', $chunk)->pluck('run_id', 'id')->all();
        }
    }

    /** @return null|array{string, string} the field and what is wrong with it; null: it is kept */
    public function take(mixed $answer): ?array
    {
        $fault = $this->fault($answer) ?? Maker::fault(is_array($answer) ? $answer['maker'] ?? null : null, $this->user);
        if ($fault !== null || ! is_array($answer)) {
            return $fault;
        }
        $runId = $this->known[(string) $answer['id']] ?? null;
        if ($runId !== null) {
            return $runId === $this->run->id ? null : ['id', 'This id belongs to another run.'];
        }

        return $this->judged($answer);
    }

    /** @return list<array{kind: string, what: array<string, mixed>, device_time: ?string}> what the record says of those that were taken */
    public function write(): array
    {
        foreach (array_chunk($this->taken, self::AT_ONCE) as $chunk) {
            StepAnswer::query()->insert(array_map(static fn(StepAnswer $answer): array => $answer->getAttributes(), $chunk));
        }

        return array_map(
            fn(StepAnswer $answer): array => ['kind' => 'answer', 'what' => $this->told($answer), 'device_time' => $answer->client_wall],
            $this->taken,
        );
    }

    /** @return array<string, mixed> */
    private function told(StepAnswer $answer): array
    {
        return [
            'id' => $answer->id,
            'step' => $answer->step,
            'title' => $this->facts->steps[$answer->step]->title,
            'expected' => $answer->expectation,
            'asked' => $answer->expected, 'given' => $answer->given, 'verdict' => $answer->verdict->value,
        ];
    }

    /**
     * @param array<mixed> $answer
     *
     * @return null|array{string, string}
     */
    private function judged(array $answer): ?array
    {
        /**
         * @var array{id: string, step: string, so?: ?bool, value?: int|float|null, choice?: ?string, skip_reason?: ?string,
         *     note?: ?string, name?: ?string, drawing?: ?string, photos?: list<string>, client_wall?: ?string} $answer
         */
        $step = $this->facts->steps[$answer['step']] ?? null;
        if ($step === null) {
            return ['step', 'The procedure has no such step now.'];
        }
        if ($this->progress->states[$step->id] === StepState::Locked) {
            $before = array_slice($this->progress->waitsFor[$step->id], 0, 3);

            return ['step', 'It waits for: ' . implode(', ', array_map($this->title(...), $before)) . '.'];
        }
        $value = $answer['value'] ?? null;
        try {
            $verdict = $this->judge->judge(
                $step,
                new SubmittedAnswer(
                    $answer['so'] ?? null,
                    $value === null ? null : (float) $value,
                    $answer['choice'] ?? null,
                    $answer['skip_reason'] ?? null,
                    $answer['note'] ?? null,
                    $answer['name'] ?? null,
                    count($answer['photos'] ?? []) + $this->run->photos->where('step', $step->id)->count(),
                ),
            );
        } catch (AnswerFault $e) {
            return [$e->field, $e->getMessage()];
        }
        $this->keep($answer, $step, $verdict);

        return null;
    }

    private function title(string $id): string
    {
        return $this->facts->steps[$id]->title;
    }

    /** @param array<string, mixed> $answer */
    private function keep(array $answer, Step $step, Verdict $verdict): void
    {
        $given = array_filter(
            array_intersect_key($answer, array_flip(['so', 'value', 'choice', 'skip_reason', 'note', 'name', 'drawing', 'photos'])),
            static fn(mixed $one): bool => $one !== null && $one !== [],
        );
        $kept = new StepAnswer([
            'id' => $answer['id'],
            'company_id' => $this->run->company_id,
            'run_id' => $this->run->id,
            'seq' => 1 + (int) ($this->run->answers->last()->seq ?? 0),
            'step' => $step->id,
            'expectation' => $step->expectation,
            'expected' => $step->expected,
            'given' => $given,
            'verdict' => $verdict,
            'client_wall' => $answer['client_wall'] ?? null,
            'user_id' => $this->user->id,
            'received_at' => Carbon::now(),
        ]);
        $this->run->answers->push($kept);
        $this->taken[] = $kept;
        $this->known[$kept->id] = $this->run->id;
        $this->progress = $this->progress->with($kept->judged());
    }

    /** @return null|array{string, string} field and what is wrong */
    private function fault(mixed $answer): ?array
    {
        $isText = static fn(mixed $value, int $max): bool => $value === null || is_string($value) && mb_strlen($value) <= $max;

        return match (true) {
            ! is_array($answer) => ['', 'This must be an object.'],
            ! Str::isUuid($answer['id'] ?? null) => ['id', 'This must be a UUID.'],
            ! is_string($answer['step'] ?? null) => ['step', 'Which step?'],
            ! is_bool($answer['so'] ?? true) => ['so', 'This must be true or false.'],
            ! is_int($answer['value'] ?? 0) && ! is_float($answer['value'] ?? 0) => ['value', 'A number is needed.'],
            ! $isText($answer['choice'] ?? null, 200) => ['choice', 'Choose one of the answers.'],
            ! $isText($answer['skip_reason'] ?? null, 500) => ['skip_reason', '500 characters at most.'],
            ! $isText($answer['note'] ?? null, 500) => ['note', '500 characters at most.'],
            ! $isText($answer['name'] ?? null, 120) => ['name', '120 characters at most.'],
            ! $isText($answer['drawing'] ?? null, 20_000) || preg_match(Run::DRAWING, (string) ($answer['drawing'] ?? '')) !== 1 => [
                'drawing',
                'The drawing could not be read; draw it again.',
            ],
            ! self::areIds($answer['photos'] ?? []) => ['photos', 'Ids of up to 40 pictures.'],
            ! $isText($answer['client_wall'] ?? null, 40) => ['client_wall', 'The time on the device, 40 characters at most.'],
            default => null,
        };
    }

    private static function areIds(mixed $photos): bool
    {
        return is_array($photos) && array_is_list($photos) && count($photos) <= self::MOST_PHOTOS && array_filter(
            $photos,
            static fn(mixed $id): bool => ! Str::isUuid($id),
        ) === [];
    }
}
