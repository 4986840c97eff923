<?php

declare(strict_types=1);

namespace App\Stage\Plan;

use App\Models\Plan;
use App\Models\TransferSwitch;
use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;

/** Own lines, and when the gauges were calibrated. */
final readonly class SavePackList
{
    public function __invoke(Request $request, TransferSwitch $switch): RedirectResponse
    {
        $fields = $request->validate([
            'own' => ['array', 'max:60'],
            'own.*.name' => ['nullable', 'string', 'max:120'],
            'own.*.quantity' => ['nullable', 'numeric', 'between:0,100000'],
            'calibrated' => ['array', 'max:20'], 'calibrated.*' => ['nullable', 'date_format:Y-m-d'],
        ], ['own.*.name.*' => 'Up to 120 characters.', 'own.*.quantity.*' => 'How many, from 0.', 'calibrated.*' => 'A day.']);
        /** @var User $user */
        $user = $request->user();
        DB::transaction(static function () use ($switch, $user, $fields): void {
            TransferSwitch::locked($switch->id);
            $pack = Plan::query()->where('switch_id', $switch->id)->first()->pack ?? [];
            $own = array_values(array_filter($fields['own'] ?? [], static fn(array $line): bool => trim($line['name'] ?? '') !== ''));
            Plan::keep(
                $switch,
                $user,
                [
                    'pack' => [
                        'own' => array_map(
                            static fn(array $line): array => [
                                'name' => (string) $line['name'],
                                'quantity' => (string) ($line['quantity'] ?? ''),
                            ],
                            $own,
                        ),
                        'calibrated' => array_filter($fields['calibrated'] ?? []),
                    ] + $pack,
                ],
            );
        });

        return redirect()->route('pack-list', $switch)->with('said', 'Saved.');
    }
}
