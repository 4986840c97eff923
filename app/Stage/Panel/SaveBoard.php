<?php

declare(strict_types=1);

namespace App\Stage\Panel;

use App\Http\Seen;
use App\Models\Distribution;
use App\Models\TransferSwitch;
use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;

/** What feeds the board, what it is made for, and where its neutrals are earthed; an empty field is not known. */
final readonly class SaveBoard
{
    public const FIELDS = [
        'v_ll_v' => [100, 1000], 'transformer_kva' => [1, 10_000], 'z_pct' => [0.5, 20], 'fault_ka' => [0.1, 200],
        'generator_kva' => [1, 10_000], 'changeover_a' => [1, 10_000], 'utility_breaker_a' => [1, 10_000],
        'generator_breaker_a' => [1, 10_000], 'withstand_ka' => [0.1, 200], 'busbar_a' => [1, 10_000], 'busbar_icw_ka' => [0.1, 200],
        'neutral_rated_a' => [1, 6000], 'neutral_a' => [0, 5000],
    ];
    private const ANSWERS = ['first_earthed', 'second_earthed', 'panel_bond', 'neutrals_swapped'];

    public function __invoke(Request $request, TransferSwitch $switch): RedirectResponse
    {
        $rules = $messages = [];
        foreach (self::FIELDS as $field => [$least, $most]) {
            $rules[$field] = ['nullable', 'numeric', "between:$least,$most"];
            $messages["$field.*"] = "A number from $least to $most.";
        }
        $fields = $request->validate($rules + [
            'diversity' => ['required', 'in:none,board,switchgear'],
            'poles' => ['nullable', 'in:3,4'],
            'wording' => ['nullable', 'in:iec_tn_s,iec_tn_c_s,iec_tt,nec'],
            'neutral_sequence' => ['required', 'in:overlapping,simultaneous,late'],
        ] + array_fill_keys(self::ANSWERS, ['nullable', 'in:yes,no']), $messages);
        foreach (self::ANSWERS as $answer) {
            $fields[$answer] = isset($fields[$answer]) ? $fields[$answer] === 'yes' : null;
        }
        /** @var User $user */
        $user = $request->user();
        DB::transaction(static function () use ($request, $switch, $fields, $user): void {
            TransferSwitch::locked($switch->id);
            $board = Distribution::query()->firstOrNew(['switch_id' => $switch->id], ['company_id' => $switch->company_id]);
            Seen::check($request, $board->exists ? $board->updated_at?->toIso8601String() : null, 'by somebody else of the company');
            $board->fill($fields + ['user_id' => $user->id])->save();
        });

        return redirect()->route('ways', $switch)->with('said', 'The board is saved.');
    }
}
