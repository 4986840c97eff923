<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Bridge\LoadTestFacts;
use App\Bridge\Units;
use App\Models\LoadTest;
use App\Models\User;
use App\Stage\ClockOffset;
use App\Stage\RecordingUpload;
use Escapement\Core\LoadTest\ReadingSource;
use Escapement\Core\LoadTest\ReadingTable;
use Escapement\Core\LoadTest\TableReading;
use Escapement\Core\Recording\RecordingFault;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;

/** Takes the readings of a recorder's table. A fault is shown with its line, and nothing is kept. */
final readonly class ImportReadings
{
    private const SAME_S = 30;

    public function __construct(private TestBook $book) {}

    public function __invoke(Request $request, LoadTest $test): RedirectResponse
    {
        abort_if($test->isClosed(), 409, 'This test is closed; its readings stay as they are.');
        $fields = $request->validate([
            'every_s' => ['required', 'numeric', 'between:1,3600'], 'zone' => ['required', 'timezone:all'],
            'says' => ['nullable', 'date_format:H:i:s,H:i', 'required_with:is'],
            'is' => ['nullable', 'date_format:H:i:s,H:i', 'required_with:says'],
        ], [
            'every_s.*' => 'Seconds from 1 to 3600.', 'zone.*' => 'A time zone, as America/New_York.',
            'says.*' => 'What the clock of the recorder said, as 09:15:00.', 'is.*' => 'What the time really was, as 09:17:30.',
        ]);
        $facts = new LoadTestFacts($test->switch->load(['site', 'loads', 'plan']));
        try {
            $upload = RecordingUpload::of(RecordingUpload::files($request, 'table'));
            $table = $upload->table();
            $choice = TableRequest::for($table->headings, $request, $facts->phases());
            $readings = (new ReadingTable(
                $choice->columns,
                new \DateTimeZone((string) $fields['zone']),
                (float) $fields['every_s'],
                (float) ClockOffset::seconds($fields['says'] ?? null, $fields['is'] ?? null),
                (float) (LoadTestFacts::zero($test, $test->firstReadingAt()) ?? $test->planned_for ?? Carbon::now())->getTimestamp(),
                (float) Carbon::now()->getTimestamp(),
            ))->read($table, $upload->tablePieces());
        } catch (RecordingFault $fault) {
            throw ValidationException::withMessages(['table' => $fault->getMessage() . ' Nothing was kept.']);
        }
        /** @var User $user */
        $user = $request->user();
        $count = DB::transaction(function () use ($test, $user, $choice, $readings): int {
            $locked = LoadTest::locked($test->id);
            abort_if($locked->isClosed(), 409, 'This test is closed; its readings stay as they are.');
            $choice->remember($user);
            $rows = $this->rows($locked, $readings);
            $this->book->readings($locked, $user, $rows, ReadingSource::File);

            return count($rows);
        });
        $left = count($readings) - $count;

        return redirect()->route('load-test', $test)->with('said', "$count readings are kept."
            . ($left === 0 ? '' : " $left were there already, or read by hand in the same half minute."));
    }

    /**
     * A moment that was read already stays as it was read.
     *
     * @param list<TableReading> $readings
     *
     * @return list<array<string, mixed>>
     */
    private function rows(LoadTest $test, array $readings): array
    {
        $units = new Units($test->switch->site->units);
        $taken = [];
        foreach ($test->counting() as $one) {
            $at = $one->taken_at->getTimestampMs() / 1000;
            $taken[(int) floor($at / self::SAME_S)][] = $at;
        }
        $celsius = static fn(?float $value): ?float => $value === null ? null : round($units->toCelsius($value), 1);
        $rows = [];
        foreach ($readings as $one) {
            $bin = (int) floor($one->atS / self::SAME_S);
            foreach ([...$taken[$bin - 1] ?? [], ...$taken[$bin] ?? [], ...$taken[$bin + 1] ?? []] as $at) {
                if (abs($at - $one->atS) < self::SAME_S) {
                    continue 2;
                }
            }
            $rows[] = [
                'id' => (string) Str::uuid(), 'taken_at' => Carbon::createFromTimestampMs((int) round(1000 * $one->atS)),
                'v_v' => $one->volts, 'a_a' => $one->amps, 'hz' => round($one->hertz, 3),
                'kw' => $one->kw === null ? null : round($one->kw, 3),
                'oil_kpa' => $one->oil === null ? null : round($units->toKilopascals($one->oil), 1),
                'coolant_c' => $celsius($one->coolant), 'exhaust_c' => $celsius($one->exhaust),
                'battery_v' => $one->battery === null ? null : round($one->battery, 2), 'note' => null,
            ];
        }

        return $rows;
    }
}
