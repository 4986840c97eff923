<?php

declare(strict_types=1);

namespace App\Stage\Handover;

use App\Bridge\RecordedRun;
use App\Models\ImportedRun;
use Escapement\Core\Input\Node;
use Illuminate\Contracts\View\View;

final readonly class ShowImportedRun
{
    public function __invoke(ImportedRun $imported): View
    {
        return view(
            'handover.imported',
            ['imported' => $imported, 'report' => new Report(RecordedRun::of(Node::fromJson($imported->document)))],
        );
    }
}
