<?php

declare(strict_types=1);

namespace App\Stage\Handover;

use App\Models\Run;
use App\Stage\Paper;
use Illuminate\Http\Response;

final readonly class PrintReport
{
    public function __invoke(Run $run): Response
    {
        return Paper::of(
            view('handover.pdf', ['report' => new Report($run)]),
            $run->switch->site,
            "run-$run->id",
            'record ' . substr($run->head, 0, 16),
        );
    }
}
