<?php

declare(strict_types=1);

namespace App\Stage\Panel;

use App\Bridge\Units;
use App\Models\TransferSwitch;
use App\Models\Way;
use App\Stage\CsvFile;
use Illuminate\Http\Response;

final readonly class ExportWays
{
    public function __invoke(TransferSwitch $switch): Response
    {
        $switch->load('site');

        return CsvFile::sent('ways.csv', WayLines::csv(Way::of($switch->id), new Units($switch->site->units)));
    }
}
