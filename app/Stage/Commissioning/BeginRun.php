<?php

declare(strict_types=1);

namespace App\Stage\Commissioning;

use App\Models\Run;
use App\Models\TransferSwitch;
use App\Models\User;
use Escapement\Core\Commissioning\RecordChain;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;

final readonly class BeginRun
{
    public function __construct(private Record $record) {}

    public function __invoke(Request $request, TransferSwitch $switch): RedirectResponse
    {
        $fields = $request->validate(
            ['reaction_ms' => ['nullable', 'integer', 'between:0,60000'], 'hazards_read' => ['accepted']],
            ['hazards_read.accepted' => 'Read the hazards first, then tick that you did.', 'reaction_ms.*' => 'Reaction time in milliseconds, 0 to 60 000.'],
        );
        $sheet = $switch->sheet()->firstOrFail();
        /** @var User $user */
        $user = $request->user();
        $run = DB::transaction(function () use ($switch, $sheet, $user, $fields): Run {
            $run = Run::query()->create([
                'company_id' => $switch->company_id, 'switch_id' => $switch->id, 'sheet_id' => $sheet->id, 'user_id' => $user->id,
                'reaction_ms' => $fields['reaction_ms'] ?? 500, 'head' => RecordChain::GENESIS,
            ]);
            $this->record->append($run, $user, 'run_begun', [
                'site' => $switch->site->name, 'switch' => $switch->name, 'sheet_version' => $sheet->version, 'settings' => $sheet->settings,
                'system' => $switch->plant, 'reaction_ms' => $run->reaction_ms,
            ]);

            return $run;
        });

        return redirect()->route('run', $run);
    }
}
