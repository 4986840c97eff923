<?php

declare(strict_types=1);

namespace App\Stage\Handover;

use App\Bridge\RecordedRun;
use App\Bridge\RecordedTest;
use App\Models\ImportedRun;
use App\Stage\LoadTest\TestReport;
use Escapement\Core\Input\Node;
use Illuminate\Contracts\View\View;

final readonly class ShowImportedRun
{
    public function __invoke(ImportedRun $imported): View
    {
        $export = Node::fromJson($imported->document);

        return $imported->isLoadTest()
            ? view('load-test.imported', ['imported' => $imported, 'report' => TestReport::recorded(RecordedTest::of($export))])
            : view('handover.imported', ['imported' => $imported, 'report' => new Report(RecordedRun::of($export))]);
    }
}
