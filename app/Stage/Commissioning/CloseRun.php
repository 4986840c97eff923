<?php

declare(strict_types=1);

namespace App\Stage\Commissioning;

use App\Bridge\ProcedureFacts;
use App\Bridge\RunHeader;
use App\Models\Run;
use App\Models\User;
use App\Stage\Hooks;
use App\Stage\Record;
use Escapement\Core\Commissioning\Proof\PartOutcome;
use Escapement\Core\Commissioning\Proof\RunPart;
use Escapement\Core\Commissioning\Proof\RunParts;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

/** Signs a run: the verdict as it stands goes into the record, and the run is closed. A service visit goes into the logbook. */
final readonly class CloseRun
{
    public function __construct(private Record $record, private KeepParts $parts, private WriteVisit $visits) {}

    /**
     * Fails with a validation error when it is signed already, or there is nothing to sign.
     *
     * @param bool $isDeclaredReady the one who signs says that it was left ready for the next outage
     */
    public function close(Run $run, User $user, string $name, ?string $drawing, bool $isDeclaredReady = false): void
    {
        DB::transaction(function () use ($run, $user, $name, $drawing, $isDeclaredReady): void {
            $locked = Run::locked($run->id);
            if ($locked->isSigned()) {
                throw ValidationException::withMessages(['signed_name' => "This run was signed by $locked->signed_name already."]);
            }
            $locked->load(['marks', 'answers', 'sheet.user', 'switch.site', 'switch.loads', 'switch.plan']);
            if ($locked->marks->isEmpty() && $locked->answers->isEmpty()) {
                throw ValidationException::withMessages([
                    'signed_name' => 'There is nothing to sign: no mark and no answer has arrived yet.',
                ]);
            }
            $result = new RunResult($locked);
            $parts = $locked->isService() ? null : $result->parts($isDeclaredReady);
            $verdict = $parts?->verdict() ?? (new ProcedureFacts($locked))->progress([])->verdict();
            $this->record->append($locked, $user, 'signed', [
                'name' => $name, 'account' => $user->email, 'drawing' => $drawing, 'verdict' => $verdict,
                'timing' => $result->verdict->verdict, 'findings' => array_column($result->verdict->findings, 'id'),
                'parts' => $parts === null ? [] : self::told($parts), 'header' => RunHeader::of($locked),
            ]);
            $locked->update([
                'verdict' => $verdict,
                'signed_name' => $name,
                'signed_drawing' => $drawing,
                'signed_by' => $user->id,
                'signed_at' => Carbon::now(),
            ]);
            $parts === null ? $this->visits->write($locked, $user) : $this->parts->of($locked, $parts);
            Hooks::tell($locked->company_id, 'run.signed', [
                'site' => ['id' => $locked->switch->site_id, 'name' => $locked->switch->site->name],
                'switch' => ['id' => $locked->switch_id, 'name' => $locked->switch->name],
                'run' => [
                    'id' => $locked->id, 'purpose' => $locked->purpose, 'verdict' => $verdict, 'signed_name' => $name,
                    'head' => $locked->head,
                ],
            ]);
        });
    }

    /**
     * @return list<array{part: string, outcome: string, noted: bool,
     *     why: list<string>}> what the run says to the parts it touched, as it goes into the record
     */
    private static function told(RunParts $parts): array
    {
        return array_map(
            static fn(RunPart $part): array => $part->toArray(),
            $parts->in(PartOutcome::Proved, PartOutcome::Failed, PartOutcome::Open),
        );
    }
}
