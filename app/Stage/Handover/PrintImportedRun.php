<?php

declare(strict_types=1);

namespace App\Stage\Handover;

use App\Bridge\RecordedRun;
use App\Bridge\RecordedTest;
use App\Models\ImportedRun;
use App\Stage\LoadTest\TestReport;
use App\Stage\Paper;
use Escapement\Core\Input\Node;
use Illuminate\Http\Response;

final readonly class PrintImportedRun
{
    public function __invoke(ImportedRun $imported): Response
    {
        $export = Node::fromJson($imported->document);
        $under = 'record ' . substr($imported->head, 0, 16);
        if ($imported->isLoadTest()) {
            $report = TestReport::recorded(RecordedTest::of($export));

            return Paper::of(view('load-test.report-pdf', ['report' => $report]), $report->test->switch->site, 'load-test', $under);
        }
        $report = new Report(RecordedRun::of($export));

        return Paper::of(view('handover.pdf', ['report' => $report]), $report->run->switch->site, 'run', $under);
    }
}
