<?php

declare(strict_types=1);

namespace App\Stage\Commissioning;

use App\Models\Run;
use App\Models\User;
use App\Stage\Record;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;

/** A note on the run. On a signed run it is an amendment: the record goes on, what was signed stays as it was. */
final readonly class AddNote
{
    public function __construct(private Record $record) {}

    public function __invoke(Request $request, Run $run): RedirectResponse
    {
        $fields = $request->validate(['text' => ['required', 'string', 'max:2000']], ['text.*' => 'A note has 1 to 2000 characters.']);
        /** @var User $user */
        $user = $request->user();
        DB::transaction(function () use ($run, $user, $fields): void {
            $locked = Run::locked($run->id);
            $this->record->append($locked, $user, $locked->isSigned() ? 'amendment' : 'note', ['text' => $fields['text']]);
        });

        return redirect()->back(302, [], route('run', $run))->with('said', 'The note is in the record.');
    }
}
