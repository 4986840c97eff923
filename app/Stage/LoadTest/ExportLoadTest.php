<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Models\LoadReading;
use App\Models\LoadTest;
use App\Stage\CsvFile;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

/** The readings of a load test as CSV. */
final readonly class ExportLoadTest
{
    public function __invoke(LoadTest $test): Response
    {
        $test->load(['readings.user', 'switch.site']);
        $legs = max(array_merge([1], $test->readings->map(static fn(LoadReading $one): int => count($one->v_v))->all()));
        $head = ['taken_at_utc'];
        for ($leg = 1; $leg <= $legs; $leg++) {
            array_push($head, "v{$leg}_v", "a{$leg}_a");
        }
        $rest = ['hz', 'kw', 'oil_kpa', 'coolant_c', 'exhaust_c', 'battery_v', 'by', 'note', 'struck_why'];
        $rows = $test->readings->map(static function (LoadReading $one) use ($legs): array {
            $row = [$one->taken_at->toIso8601ZuluString()];
            for ($leg = 0; $leg < $legs; $leg++) {
                array_push($row, $one->v_v[$leg] ?? '', $one->a_a[$leg] ?? '');
            }

            return [
                ...$row, $one->hz, $one->kw, $one->oil_kpa, $one->coolant_c, $one->exhaust_c, $one->battery_v, $one->user->name, $one->note,
                $one->struck_why,
            ];
        });

        return CsvFile::download(
            Str::slug($test->switch->site->name) . "-load-test-$test->id.csv",
            [...$head, ...$rest],
            $rows,
        );
    }
}
