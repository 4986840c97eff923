<?php

declare(strict_types=1);

namespace App\Stage\Survey;

use App\Models\TransferSwitch;
use App\Stage\CsvFile;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

final readonly class ExportLoads
{
    public function __invoke(TransferSwitch $switch): Response
    {
        return CsvFile::sent(Str::slug($switch->site->name) . '-loads.csv', LoadTable::write(LoadLines::kept($switch)));
    }
}
