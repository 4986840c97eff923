<?php

declare(strict_types=1);

namespace App\Stage\Commissioning;

use App\Bridge\ProcedureFacts;
use App\Models\LogEntry;
use App\Models\Run;
use App\Models\StepAnswer;
use App\Models\Upkeep;
use App\Models\User;
use App\Stage\LogbookBook;
use Escapement\Core\Commissioning\Service\GivenAnswer;
use Escapement\Core\Commissioning\Service\VisitEntries;
use Illuminate\Support\Carbon;
use Ramsey\Uuid\Uuid;

/** Writes a signed service visit into the logbook of its switch, once: each line has its id of the run and the step. */
final readonly class WriteVisit
{
    public function __construct(private LogbookBook $book) {}

    /** To be called inside the transaction that signs it. Needs of the run: sheet, answers, switch.site, switch.loads, switch.plan. */
    public function write(Run $run, User $user): void
    {
        $given = $times = [];
        $steps = (new ProcedureFacts($run))->steps;
        foreach ($run->answers as $answer) {
            $step = $steps[$answer->step] ?? null;
            if ($step !== null && $answer->judged()->answers($step)) {
                $given[$answer->step] = self::given($answer);
                $times[$answer->step] = $answer->received_at;
            }
        }
        $visit = new VisitEntries($given, "version {$run->sheet->version}");
        foreach ($visit->entries() as $line) {
            $this->book->write($run->switch, $user, new LogEntry([
                'id' => Uuid::uuid5(Uuid::NAMESPACE_OID, "run/$run->id/{$line['step']}")->toString(),
                'company_id' => $run->company_id, 'switch_id' => $run->switch_id, 'user_id' => $user->id, 'kind' => $line['kind'],
                'at' => ($times[$line['step']] ?? Carbon::now())->copy()->startOfSecond(),
                'fields' => $line['fields'],
                'note' => mb_substr(trim('Service visit. ' . ($given[$line['step']]->note ?? '')), 0, 300),
            ]));
        }
        if ($visit->selector() !== null) {
            $known = Upkeep::query()->where('switch_id', $run->switch_id)->first();
            $known?->update(['selector' => $visit->selector(), 'user_id' => $user->id]);
        }
    }

    private static function given(StepAnswer $answer): GivenAnswer
    {
        $value = $answer->given['value'] ?? null;
        $text = static fn(string $key): ?string => is_string($answer->given[$key] ?? null) ? $answer->given[$key] : null;

        return new GivenAnswer($answer->verdict, is_numeric($value) ? (float) $value : null, $text('choice'), $text('note'));
    }
}
