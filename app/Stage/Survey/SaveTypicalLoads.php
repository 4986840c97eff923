<?php

declare(strict_types=1);

namespace App\Stage\Survey;

use App\Models\TypicalLoad;
use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;

/** The company's own library as a whole; saved empty, the generic one is back. */
final readonly class SaveTypicalLoads
{
    public function __invoke(Request $request): RedirectResponse
    {
        $request->merge(['loads' => LoadLines::typed($request)]);
        $lines = $request->validate(
            LoadLines::rules() + ['loads.*.legs' => ['required', 'integer', 'between:1,2']],
            ['loads.*.legs.*' => 'One leg or two.'] + LoadLines::messages(),
        )['loads'] ?? [];
        /** @var User $user */
        $user = $request->user();
        DB::transaction(static function () use ($lines, $user): void {
            TypicalLoad::query()->delete();
            foreach ($lines as $place => $line) {
                $columns = LoadLines::columns($line);
                unset($columns['connect'], $columns['ups']);
                TypicalLoad::query()->create([
                    'company_id' => $user->company_id,
                    'place' => $place,
                    'line' => $columns + ['legs' => (int) $line['legs']],
                ]);
            }
        });

        return redirect()->route('typical-loads')->with(
            'said',
            $lines === [] ? 'The generic library is back.' : 'The library is saved: ' . count($lines) . ' loads.',
        );
    }
}
