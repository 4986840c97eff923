<?php

declare(strict_types=1);

namespace App\Stage\Commissioning;

use App\Models\Run;
use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

/** Closes a run with a name and a drawn signature; the verdict is signed as it stands, good or not. */
final readonly class SignRun
{
    public function __construct(private Record $record) {}

    public function __invoke(Request $request, Run $run): RedirectResponse
    {
        $fields = $request->validate([
            'signed_name' => ['required', 'string', 'max:120'],
            'signed_drawing' => ['nullable', 'string', 'max:20000', 'regex:/^(M\d{1,4} \d{1,4}(L\d{1,4} \d{1,4})*)*$/D'],
        ], ['signed_name.*' => 'Type the name of the person who signs.', 'signed_drawing.*' => 'The drawing could not be read; draw it again.']);
        /** @var User $user */
        $user = $request->user();
        DB::transaction(function () use ($run, $user, $fields): void {
            $locked = Run::query()->whereKey($run->id)->lockForUpdate()->firstOrFail();
            if ($locked->isSigned()) {
                throw ValidationException::withMessages(['signed_name' => "This run was signed by $locked->signed_name already."]);
            }
            $locked->load(['marks', 'sheet', 'switch.site', 'switch.loads']);
            if ($locked->marks->isEmpty()) {
                throw ValidationException::withMessages(['signed_name' => 'There is nothing to sign: no mark has arrived yet.']);
            }
            $verdict = (new RunResult($locked))->verdict;
            $this->record->append($locked, $user, 'signed', [
                'name' => $fields['signed_name'], 'drawing' => $fields['signed_drawing'] ?? null, 'verdict' => $verdict->verdict,
                'findings' => array_column($verdict->findings, 'id'),
            ]);
            $locked->update([
                'verdict' => $verdict->verdict, 'signed_name' => $fields['signed_name'], 'signed_drawing' => $fields['signed_drawing'] ?? null,
                'signed_by' => $user->id, 'signed_at' => Carbon::now(),
            ]);
        });

        return redirect()->route('report', $run)->with('said', 'Signed. The run is closed; later findings are amendments.');
    }
}
