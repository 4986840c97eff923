<?php

declare(strict_types=1);

namespace App\Stage\Commissioning;

use App\Bridge\ProcedureFacts;
use App\Bridge\ProcedureWork;
use App\Models\Run;
use App\Models\StepAnswer;
use App\Models\User;
use App\Stage\Record;
use Escapement\Core\Commissioning\Procedure\JudgedAnswer;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;

/**
 * A run goes on against the newest version of the sheet and the plan as it is now; what was answered to another
 * expectation is open again.
 */
final readonly class FollowSheet
{
    public function __construct(private Record $record) {}

    public function __invoke(Request $request, Run $run): RedirectResponse
    {
        /** @var User $user */
        $user = $request->user();
        $reopened = DB::transaction(function () use ($run, $user): int {
            $locked = Run::locked($run->id);
            abort_if($locked->isSigned(), 409, 'This run is signed and closed.');
            $locked->load(['sheet', 'switch.site', 'switch.loads', 'switch.plan', 'answers']);
            $newest = $locked->switch->sheet()->firstOrFail();
            $work = ProcedureWork::changedSince($locked);
            if ($newest->id === $locked->sheet_id && $work === null) {
                return 0;
            }
            $answered = array_values(
                $locked->answers->keyBy('step')->map(static fn(StepAnswer $answer): JudgedAnswer => $answer->judged())->all(),
            );
            $before = $locked->sheet->version;
            $locked->update(['sheet_id' => $newest->id, 'work' => $work ?? $locked->work]);
            $reopened = (new ProcedureFacts($locked->setRelation('sheet', $newest)))->procedure->reopened($answered);
            $this->record->append(
                $locked,
                $user,
                'sheet_followed',
                [
                    'from_version' => $before,
                    'to_version' => $newest->version,
                    'settings' => $newest->settings,
                    'work' => $work,
                    'reopened' => $reopened,
                ],
            );

            return count($reopened);
        });

        return redirect()->route('procedure', $run)->with('said', match ($reopened) {
            0 => 'It goes on with sheet and plan as they are now; no answer is touched by it.',
            1 => 'It goes on with sheet and plan as they are now; one step is open again.',
            default => "It goes on with sheet and plan as they are now; $reopened steps are open again.",
        });
    }
}
