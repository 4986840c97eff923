<?php

declare(strict_types=1);

namespace App\Stage\Commissioning;

use App\Bridge\ProofFacts;
use App\Models\PartProof;
use App\Models\Run;
use App\Models\User;
use Escapement\Core\Commissioning\Proof\PartOutcome;
use Escapement\Core\Commissioning\Proof\ProofBasis;
use Escapement\Core\Commissioning\Proof\RunPart;
use Escapement\Core\Commissioning\Proof\RunParts;
use Illuminate\Support\Facades\Auth;

/** Keeps what a signed run says to the parts of a proof. What it did not touch keeps its earlier date. */
final readonly class KeepParts
{
    /** Needs of the run: sheet, switch.site, switch.loads, switch.plan, answers, marks. */
    public function of(Run $run, RunParts $parts): void
    {
        $basis = new ProofBasis();
        $facts = ProofFacts::ofRun($run);
        foreach ($parts->parts as $part) {
            if ($part->outcome !== PartOutcome::Untouched) {
                PartProof::query()->create([
                    'company_id' => $run->company_id, 'switch_id' => $run->switch_id, 'run_id' => $run->id, 'part' => $part->part,
                    'outcome' => self::outcome($part), 'edition' => (int) ($run->work['edition'] ?? 1),
                    'why' => $part->why, 'basis' => $basis->of($part->part, $facts), 'by_name' => (string) $run->signed_name,
                    'proved_at' => $run->signed_at,
                ]);
            }
        }
    }

    /** Reads the parts of all runs that were signed before parts were kept, in the order of signing; once. Of every company. */
    public function ofSignedRuns(): int
    {
        $count = 0;
        $before = Auth::user();
        try {
            foreach (User::query()->get()->unique('company_id') as $one) {
                Auth::setUser(User::readerOf($one->company_id) ?? $one); // what is read belongs to one company at a time
                $query = Run::query();
                $query->whereDoesntHave('proofs');
                $query->whereNotNull('signed_at')->orderBy('signed_at')->orderBy('id');
                foreach ($query->with(['marks', 'answers', 'sheet', 'switch.site', 'switch.loads', 'switch.plan'])->get() as $run) {
                    $this->of($run, (new RunResult($run))->parts());
                    $count++;
                }
            }
        } finally {
            $before === null ? Auth::forgetUser() : Auth::setUser($before);
        }

        return $count;
    }

    private static function outcome(RunPart $part): string
    {
        return $part->outcome === PartOutcome::Proved && $part->isNoted ? 'noted' : $part->outcome->value;
    }
}
