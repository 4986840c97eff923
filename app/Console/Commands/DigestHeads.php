<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Bridge\CompanyKeys;
use App\Models\Company;
use Illuminate\Console\Command;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;

/**
 * The heads of all records of each company, in one file a day, to a folder outside: who keeps it can show later that a record was
 * as it is. The company's key seals the list. A file that is there is never written over.
 */
final class DigestHeads extends Command
{
    private const TABLES = ['runs' => 'run', 'load_tests' => 'load test', 'logbooks' => 'logbook'];

    protected $signature = 'records:digest {folder? : where the files go; ESCAPEMENT_DIGESTS without}';
    protected $description = 'Write the heads of all records of each company into a dated file.';

    public function handle(): int
    {
        $given = $this->argument('folder') ?? config('app.digests');
        $folder = is_string($given) ? rtrim($given, '/') : '';
        if ($folder === '') {
            $this->error('No folder: name one, or set ESCAPEMENT_DIGESTS.');

            return self::FAILURE;
        }
        File::ensureDirectoryExists($folder);
        $day = Carbon::now('UTC')->toDateString();
        $companies = Company::query();
        $companies->orderBy('id');
        foreach ($companies->get() as $company) {
            $path = "$folder/heads-$company->id-$day.json";
            $file = File::exists($path) ? false : fopen($path, 'x');
            if ($file === false) {
                $this->line("$path is there already.");
                continue;
            }
            $how = JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE;
            fwrite($file, json_encode($this->digest($company, $day), $how) . "\n");
            fclose($file);
            $this->line($path);
        }

        return self::SUCCESS;
    }

    /** @return array<string, mixed> */
    private function digest(Company $company, string $day): array
    {
        $heads = [];
        foreach (self::TABLES as $table => $name) {
            foreach (DB::table($table)->where('company_id', $company->id)->orderBy('id')->get(['id', 'head']) as $record) {
                $heads[] = ['record' => "$name $record->id", 'head' => $record->head];
            }
        }
        $all = hash('sha256', implode("\n", array_map(static fn(array $one): string => "{$one['record']} {$one['head']}", $heads)));
        $keys = new CompanyKeys();

        return [
            'company' => $company->name, 'day' => $day, 'heads' => $heads, 'sha256' => $all, 'key' => $keys->public($company->id),
            'seal' => $keys->seal($company->id, count($heads), $all)->kept(),
        ];
    }
}
