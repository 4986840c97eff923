<?php

declare(strict_types=1);

namespace App\Stage\Commissioning;

use App\Bridge\ProcedureWork;
use App\Bridge\ProofFacts;
use App\Models\Run;
use App\Models\TransferSwitch;
use App\Models\User;
use App\Stage\Record;
use Escapement\Core\Record\RecordChain;
use Illuminate\Support\Facades\DB;

/** Begins a run against the newest sheet; what it is timed against goes into the record first. */
final readonly class OpenRun
{
    public function __construct(private Record $record) {}

    /**
     * @param array<mixed> $schools    chosen for the procedure
     * @param ?string      $torqueUnit of the tool in hand
     * @param null|array{engine: bool, enclosure: bool, items: list<string>} $service a service visit instead of a proof
     * @param ?string      $press      of the page that begins it: the same one begins one run
     */
    public function open(
        TransferSwitch $switch,
        User $user,
        int $reactionMs,
        array $schools = [],
        ?string $torqueUnit = null,
        ?string $press = null,
        ?array $service = null,
    ): Run {
        $sheet = $switch->sheet()->firstOrFail();
        $switch->loadMissing(['site', 'loads', 'plan']);

        $options = ProcedureWork::chosen($schools, $switch->site->installation)
            + ($service === null ? [] : ['service' => $service]);
        $work = ProcedureWork::of($switch, $options, $torqueUnit);

        return DB::transaction(function () use ($switch, $sheet, $user, $reactionMs, $options, $work, $press, $service): Run {
            TransferSwitch::locked($switch->id);
            $begun = $press === null ? null : Run::query()->where(['switch_id' => $switch->id, 'press' => $press])->first();
            if ($begun !== null) {
                return $begun; // a finger that bounced: runs cannot be taken back
            }
            $run = Run::query()->create([
                'company_id' => $switch->company_id, 'switch_id' => $switch->id, 'sheet_id' => $sheet->id, 'user_id' => $user->id,
                'purpose' => $service === null ? Run::PROOF : Run::SERVICE,
                'reaction_ms' => $reactionMs, 'options' => $options, 'work' => $work, 'press' => $press, 'head' => RecordChain::GENESIS,
                'surveyed' => ['proof_facts' => ProofFacts::ofSite($switch), 'plant' => $switch->plant],
            ]);
            $this->record->append($run, $user, 'run_begun', ($service === null ? [] : ['purpose' => Run::SERVICE]) + [
                'site' => $switch->site->name,
                'switch' => $switch->name,
                'sheet_version' => $sheet->version,
                'settings' => $sheet->settings,
                'system' => $switch->plant, 'surveyed' => ProofFacts::ofSite($switch), 'reaction_ms' => $reactionMs,
                'options' => $options, 'work' => $work,
            ]);

            return $run->refresh();
        });
    }
}
