<?php

declare(strict_types=1);

namespace App\Stage\Upkeep;

use App\Models\TransferSwitch;
use App\Stage\SheetCell;
use App\Stage\SiteStanding;
use Illuminate\Http\Response;
use Illuminate\Support\Carbon;

/** The fleet before a storm as CSV, greatest need first. */
final readonly class ExportFleet
{
    private const MOST = 500;

    public function __invoke(): Response
    {
        $query = TransferSwitch::query();
        $query->limit(self::MOST);
        $page = new FleetPage($query->with(SiteStanding::NEEDS)->get(), Carbon::now());
        $paper = fopen('php://memory', 'w+') ?: throw new \LogicException('no memory to write to');
        fputcsv($paper, ['rank', 'site', 'switch', 'score', 'grade', 'costs_it_most', 'least_work', 'minutes', 'score_after'], escape: '');
        foreach ($page->rows as $row) {
            $work = $row->work();
            fputcsv($paper, [
                $row->rank, SheetCell::text($row->switch->site->name), SheetCell::text($row->switch->name), round($row->of->score, 1),
                $row->grade(), $row->reason(), $work['words'], $work['minutes'], $work['score'],
            ], escape: '');
        }
        rewind($paper);

        return response((string) stream_get_contents($paper), 200, [
            'Content-Type' => 'text/csv; charset=utf-8', 'Content-Disposition' => 'attachment; filename="fleet.csv"',
        ]);
    }
}
