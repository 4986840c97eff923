<?php

declare(strict_types=1);

namespace App\Stage\Fleet;

use App\Models\User;
use App\Stage\SheetCell;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Carbon;

/** The fleet before a storm as CSV, greatest need first. */
final readonly class ExportFleet
{
    public function __invoke(Request $request): Response
    {
        /** @var User $user */
        $user = $request->user();
        $page = FleetPage::ofCompany($user->company_id, Carbon::now());
        $paper = fopen('php://memory', 'w+') ?: throw new \LogicException('no memory to write to');
        fputcsv($paper, ['rank', 'site', 'kind', 'score', 'grade', 'costs_it_most', 'least_work', 'minutes', 'score_after'], escape: '');
        foreach ($page->rows() as $row) {
            $work = $row->work();
            fputcsv($paper, [
                $row->rank, SheetCell::text($row->status->name), $row->status->kind, round($row->of->score, 1),
                $row->grade(), $row->reason(), $work['words'], $work['minutes'], $work['score'],
            ], escape: '');
        }
        rewind($paper);

        return response((string) stream_get_contents($paper), 200, [
            'Content-Type' => 'text/csv; charset=utf-8', 'Content-Disposition' => 'attachment; filename="fleet.csv"',
        ]);
    }
}
