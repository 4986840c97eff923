<?php

declare(strict_types=1);

namespace App\Stage\Commissioning;

use App\Models\Run;
use App\Models\User;
use App\Stage\Once;
use App\Stage\Record;
use Escapement\Core\Commissioning\Procedure\AnswerJudge;
use Illuminate\Support\Facades\DB;

/**
 * Takes answers from a device. The id is made there, so that sending twice is once; two answers to one step are both
 * kept, and the one that came later counts. A step behind an unproved hold point takes no answer.
 */
final readonly class KeepAnswers
{
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
            $batch = new AnswerBatch($locked, $user, $this->judge, $answers);
            $kept = $refused = [];
            foreach ($answers as $i => $answer) {
                $id = is_array($answer) && is_string($answer['id'] ?? null) ? $answer['id'] : null;
                $fault = $batch->take($answer);
                if ($fault === null) {
                    $kept[] = (string) $id;
                } else {
                    $refused[] = ['id' => $id, 'path' => "/answers/$i/$fault[0]", 'message' => $fault[1]];
                }
            }
            $this->record->appendAll($locked, $user, $batch->write());

            return ['kept' => $kept, 'refused' => $refused];
        }));
    }
}
