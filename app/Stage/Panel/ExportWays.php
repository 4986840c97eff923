<?php

declare(strict_types=1);

namespace App\Stage\Panel;

use App\Bridge\Units;
use App\Models\TransferSwitch;
use App\Models\Way;
use Illuminate\Http\Response;

final readonly class ExportWays
{
    public function __invoke(TransferSwitch $switch): Response
    {
        $switch->load('site');

        return response(WayLines::csv(Way::of($switch->id), new Units($switch->site->units)), 200, [
            'Content-Type' => 'text/csv; charset=UTF-8', 'Content-Disposition' => 'attachment; filename="ways.csv"',
        ]);
    }
}
