<?php

declare(strict_types=1);

namespace App\Stage\Handover;

use App\Bridge\RecordedRun;
use App\Models\ImportedRun;
use App\Stage\Paper;
use Escapement\Core\Input\Node;
use Illuminate\Http\Response;

final readonly class PrintImportedRun
{
    public function __invoke(ImportedRun $imported): Response
    {
        $report = new Report(RecordedRun::of(Node::fromJson($imported->document)));

        return Paper::of(
            view('handover.pdf', ['report' => $report]),
            $report->run->switch->site,
            'run',
            'record ' . substr($imported->head, 0, 16),
        );
    }
}
