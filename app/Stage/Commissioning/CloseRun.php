<?php

declare(strict_types=1);

namespace App\Stage\Commissioning;

use App\Bridge\RunHeader;
use App\Models\Run;
use App\Models\User;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

/** Signs a run: the verdict as it stands goes into the record, and the run is closed. */
final readonly class CloseRun
{
    public function __construct(private Record $record) {}

    /** Fails with a validation error when it is signed already, or there is nothing to sign. */
    public function close(Run $run, User $user, string $name, ?string $drawing): void
    {
        DB::transaction(function () use ($run, $user, $name, $drawing): void {
            $locked = Run::locked($run->id);
            if ($locked->isSigned()) {
                throw ValidationException::withMessages(['signed_name' => "This run was signed by $locked->signed_name already."]);
            }
            $locked->load(['marks', 'answers', 'sheet.user', 'switch.site', 'switch.loads', 'switch.plan']);
            if ($locked->marks->isEmpty()) {
                throw ValidationException::withMessages(['signed_name' => 'There is nothing to sign: no mark has arrived yet.']);
            }
            $result = new RunResult($locked);
            $verdict = $result->whole();
            $this->record->append($locked, $user, 'signed', [
                'name' => $name, 'drawing' => $drawing, 'verdict' => $verdict, 'timing' => $result->verdict->verdict, 'findings' => array_column($result->verdict->findings, 'id'), 'header' => RunHeader::of($locked),
            ]);
            $locked->update([
                'verdict' => $verdict, 'signed_name' => $name, 'signed_drawing' => $drawing, 'signed_by' => $user->id, 'signed_at' => Carbon::now(),
            ]);
        });
    }
}
