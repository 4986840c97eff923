<?php

declare(strict_types=1);

namespace App\Stage\Commissioning;

use App\Bridge\ProcedureFacts;
use App\Models\Run;
use App\Models\StepAnswer;
use App\Models\User;
use Escapement\Core\Commissioning\Procedure\AnswerFault;
use Escapement\Core\Commissioning\Procedure\AnswerJudge;
use Escapement\Core\Commissioning\Procedure\Given;
use Escapement\Core\Commissioning\Procedure\StepState;
use Escapement\Core\Commissioning\TimedRun;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * Takes answers from a device. The id is made there, so that sending twice is once; two answers to one step are both
 * kept, and the one that came later counts. A step behind an unproved hold point takes no answer.
 */
final readonly class KeepAnswers
{
    private const MOST_PHOTOS = 40;

    public function __construct(private Record $record, private AnswerJudge $judge) {}

    /**
     * @param list<mixed> $answers in the order in which they were given
     *
     * @return array{kept: list<string>, refused: list<array{id: ?string, path: string, message: string}>}
     */
    public function keep(Run $run, User $user, array $answers): array
    {
        return Once::more(fn() => DB::transaction(function () use ($run, $user, $answers): array {
            $locked = Run::locked($run->id);
            abort_if($locked->isSigned(), 409, 'This run is signed and closed.');
            $locked->load(['sheet', 'switch.site', 'switch.loads', 'switch.plan', 'answers', 'marks', 'photos']);
            $facts = new ProcedureFacts($locked);
            $timed = (new RunResult($locked))->verdict->runs;
            $kept = $refused = $happened = [];
            foreach ($answers as $i => $answer) {
                $id = is_array($answer) && is_string($answer['id'] ?? null) ? $answer['id'] : null;
                $outcome = $this->fault($answer) ?? Maker::fault(
                    $answer['maker'] ?? null,
                    $user,
                ) ?? $this->known($locked, (string) $id) ?? $this->keepOne($locked, $user, $facts, $timed, (array) $answer);
                if (is_array($outcome)) {
                    $refused[] = ['id' => $id, 'path' => "/answers/$i/$outcome[0]", 'message' => $outcome[1]];
                    continue;
                }
                $kept[] = (string) $id;
                if ($outcome instanceof StepAnswer) {
                    $happened[] = ['kind' => 'answer', 'what' => [
                        'id' => $outcome->id, 'step' => $outcome->step, 'title' => $facts->steps[$outcome->step]->title, 'expected' => $outcome->expectation, 'given' => $outcome->given, 'verdict' => $outcome->verdict->value,
                    ], 'device_time' => $outcome->client_wall];
                }
            }

            $this->record->appendAll($locked, $user, $happened);

            return ['kept' => $kept, 'refused' => $refused];
        }));
    }

    /**
     * @param list<TimedRun> $timed
     * @param array<mixed>    $answer
     *
     * @return StepAnswer|array{string, string} the new answer, else the field and what is wrong with it
     */
    private function keepOne(Run $run, User $user, ProcedureFacts $facts, array $timed, array $answer): StepAnswer|array
    {
        /** @var array{id: string, step: string, so?: ?bool, value?: int|float|null, choice?: ?string, skip_reason?: ?string, note?: ?string, name?: ?string, drawing?: ?string, photos?: list<string>, client_wall?: ?string} $answer */
        $step = $facts->steps[$answer['step']] ?? null;
        if ($step === null) {
            return ['step', 'The procedure has no such step now.'];
        }
        $progress = $facts->progress($timed);
        if ($progress->states[$step->id] === StepState::Locked) {
            return ['step', 'It waits for: ' . implode(', ', array_map(static fn(string $id): string => $facts->steps[$id]->title, array_slice($progress->waitsFor[$step->id], 0, 3))) . '.'];
        }
        $value = $answer['value'] ?? null;
        try {
            $verdict = $this->judge->judge($step, new Given($answer['so'] ?? null, $value === null ? null : (float) $value, $answer['choice'] ?? null, $answer['skip_reason'] ?? null, $answer['note'] ?? null, $answer['name'] ?? null, count($answer['photos'] ?? []) + $run->photos->where('step', $step->id)->count()));
        } catch (AnswerFault $e) {
            return [$e->field, $e->getMessage()];
        }
        $given = array_filter(array_intersect_key($answer, array_flip(['so', 'value', 'choice', 'skip_reason', 'note', 'name', 'drawing', 'photos'])), static fn(mixed $one): bool => $one !== null && $one !== []);
        $kept = StepAnswer::query()->create([
            'id' => $answer['id'], 'company_id' => $run->company_id, 'run_id' => $run->id, 'seq' => 1 + (int) ($run->answers->last()->seq ?? 0), 'step' => $step->id, 'expectation' => $step->expectation,
            'given' => $given, 'verdict' => $verdict, 'client_wall' => $answer['client_wall'] ?? null, 'user_id' => $user->id, 'received_at' => Carbon::now(),
        ]);
        $run->answers->push($kept);

        return $kept;
    }

    /** @return null|true|array{string, string} true when this run has it already; null when it is new */
    private function known(Run $run, string $id): null|true|array
    {
        $known = $run->answers->firstWhere('id', $id) ?? StepAnswer::query()->withoutGlobalScope('company')->find($id);

        return $known === null ? null : ($known->run_id === $run->id ? true : ['id', 'This id belongs to another run.']);
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
            ! $isText($answer['drawing'] ?? null, 20_000) || preg_match(Run::DRAWING, (string) ($answer['drawing'] ?? '')) !== 1 => ['drawing', 'The drawing could not be read; draw it again.'],
            ! self::areIds($answer['photos'] ?? []) => ['photos', 'Ids of up to 40 pictures.'],
            ! $isText($answer['client_wall'] ?? null, 40) => ['client_wall', 'The time on the device, 40 characters at most.'],
            default => null,
        };
    }

    private static function areIds(mixed $photos): bool
    {
        return is_array($photos) && array_is_list($photos) && count($photos) <= self::MOST_PHOTOS && array_filter($photos, static fn(mixed $id): bool => ! Str::isUuid($id)) === [];
    }
}
