<?php

declare(strict_types=1);

namespace App\Stage\Fleet;

use App\Models\User;
use App\Stage\CsvFile;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Carbon;

/** The fleet before a storm as CSV, greatest need first. */
final readonly class ExportFleet
{
    private const HEAD = ['rank', 'site', 'kind', 'score', 'grade', 'costs_it_most', 'least_work', 'minutes', 'score_after'];

    public function __invoke(Request $request): Response
    {
        /** @var User $user */
        $user = $request->user();
        $page = FleetPage::ofCompany($user->company_id, Carbon::now());

        return CsvFile::download('fleet.csv', self::HEAD, array_map(static function (FleetRow $row): array {
            $work = $row->work();

            return [
                $row->rank, $row->status->name, $row->status->kind, round($row->of->score, 1), $row->grade(), $row->reason(),
                $work['words'], $work['minutes'], $work['score'],
            ];
        }, iterator_to_array($page->rows(), false)));
    }
}
