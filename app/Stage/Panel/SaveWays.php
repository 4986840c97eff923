<?php

declare(strict_types=1);

namespace App\Stage\Panel;

use App\Bridge\Units;
use App\Http\Seen;
use App\Models\TransferSwitch;
use App\Models\Way;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

/** All ways of the board at once, from the table or from a file. A line whose name is cleared is taken out. */
final readonly class SaveWays
{
    public function __invoke(Request $request, TransferSwitch $switch): RedirectResponse
    {
        $isIec = $switch->site->units === 'metric';
        $request->validate(['file' => ['nullable', 'file', 'max:100']], ['file.*' => 'A text file of 100 kB at most.']);
        $request->merge(['ways' => $this->lines($request)]);
        $fields = $request->validate(WayLines::rules($isIec), WayLines::messages($isIec));
        $lines = is_array($fields['ways'] ?? null) ? array_values($fields['ways']) : [];
        $units = new Units($switch->site->units);
        DB::transaction(static function () use ($request, $switch, $lines, $units): void {
            TransferSwitch::locked($switch->id);
            $kept = array_map(static fn(Way $way): array => WayLines::shown($way, $units), Way::of($switch->id));
            Seen::check($request, $kept, 'by somebody else of the company');
            Way::query()->where('switch_id', $switch->id)->delete();
            foreach ($lines as $place => $line) {
                Way::query()->create(WayLines::columns($line, $units) + [
                    'company_id' => $switch->company_id, 'switch_id' => $switch->id, 'place' => $place,
                ]);
            }
        });

        return redirect()->route('ways', $switch)->with('said', count($lines) === 1 ? 'One way saved.' : count($lines) . ' ways saved.');
    }

    /** @return list<array<string, mixed>> those with a name */
    private function lines(Request $request): array
    {
        $file = $request->file('file');
        $lines = $request->input('ways');
        if ($file instanceof UploadedFile) {
            [$lines, $problem] = WayLines::fromCsv((string) file_get_contents($file->getRealPath()));
            if ($problem !== null) {
                throw ValidationException::withMessages(['file' => $problem]);
            }
        }
        $named = [];
        foreach (is_array($lines) ? $lines : [] as $line) {
            $name = is_array($line) ? $line['name'] ?? '' : '';
            if (is_array($line) && is_scalar($name) && trim((string) $name) !== '') {
                $named[] = $line;
            }
        }

        return $named;
    }
}
