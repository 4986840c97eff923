<?php

declare(strict_types=1);

namespace App\Stage\Survey;

use App\Models\TransferSwitch;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

final readonly class ExportLoads
{
    public function __invoke(TransferSwitch $switch): Response
    {
        $name = Str::slug($switch->site->name) . '-loads.csv';

        return response(
            LoadTable::write(LoadLines::kept($switch)),
            200,
            ['Content-Type' => 'text/csv; charset=UTF-8', 'Content-Disposition' => "attachment; filename=\"$name\""],
        );
    }
}
