<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Device\MapDescription;
use App\Stage\CsvFile;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\File;

/** Writes the register map into docs/formats, from the tables that the code works by. */
final class DescribeBench extends Command
{
    private const MARK = "<!-- from here on made by php artisan bench:describe -->\n";

    protected $signature = 'bench:describe';
    protected $description = 'Write the register map of the bench into docs/formats.';

    public function handle(): int
    {
        foreach (self::files() as $path => $text) {
            File::put($path, $text);
        }

        return self::SUCCESS;
    }

    /** @return array<string, string> what the files say, by path; what stands above the mark is written by hand */
    public static function files(): array
    {
        $path = base_path('docs/formats/modbus.md');
        $hand = explode(self::MARK, (string) File::get($path))[0];

        return [
            base_path('docs/formats/modbus.csv') => CsvFile::text(MapDescription::HEAD, MapDescription::rows()),
            $path => $hand . self::MARK . MapDescription::markdown(),
        ];
    }
}
