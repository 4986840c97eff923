<?php

declare(strict_types=1);

namespace App\Stage\Bench;

use App\Device\NoDevice;
use App\Models\TransferSwitch;
use App\Stage\CsvFile;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

/** The event log of the bench as a table: seq, t_ms, kind, detail. */
final readonly class ExportLog
{
    private const A_PAGE = 1000;

    public function __invoke(TransferSwitch $switch): Response|RedirectResponse
    {
        $bench = BenchDesk::standing($switch);
        try {
            $client = BenchDesk::client($bench, 'viewer');
            $rows = [];
            $from = 0;
            do {
                $answer = $client->ask('log', ['from_seq' => $from, 'limit' => self::A_PAGE]);
                /** @var list<array<string, mixed>> $entries */
                $entries = is_array($answer['entries'] ?? null) ? array_values($answer['entries']) : [];
                foreach ($entries as $entry) {
                    $rows[] = [$entry['seq'], $entry['t_ms'], $entry['kind'], self::detail($entry)];
                    $from = (int) (is_numeric($entry['seq']) ? $entry['seq'] : 0) + 1;
                }
            } while (count($entries) === self::A_PAGE);
        } catch (NoDevice $away) {
            return redirect()->route('bench', $switch)->with('said', $away->getMessage());
        }

        return CsvFile::download(Str::slug($switch->site->name) . '-bench-log.csv', ['seq', 't_ms', 'kind', 'detail'], $rows);
    }

    /** @param array<string, mixed> $entry */
    private static function detail(array $entry): string
    {
        $words = [];
        foreach (array_diff_key($entry, ['seq' => 1, 't_ms' => 1, 'kind' => 1, 'because' => 1]) as $name => $value) {
            $words[] = "$name=" . (is_string($value) ? $value : json_encode($value, JSON_THROW_ON_ERROR));
        }

        return implode(';', $words);
    }
}
