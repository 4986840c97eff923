<?php

declare(strict_types=1);

namespace App\Stage\Board;

use App\Models\SwitchStatus;
use App\Models\User;
use App\Stage\CsvFile;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Carbon;

/** The list of the board as it is narrowed and sorted, as CSV. */
final readonly class ExportBoard
{
    private const HEAD = [
        'site', 'kind', 'severity', 'what', 'detail', 'proven_in_every_part', 'proven_on', 'last_load_test', 'next_load_test', 'school',
    ];

    public function __invoke(Request $request): Response
    {
        /** @var User $user */
        $user = $request->user();
        $now = Carbon::now();
        (new StatusBook($now))->freshen($user->company_id);
        $statuses = BoardView::of($request)->narrowed(SwitchStatus::query(), $now)->get();

        return CsvFile::download('board.csv', self::HEAD, $statuses->map(static function (SwitchStatus $one) use ($now): array {
            $line = new BoardLine($one, $now, null);

            return [
                $one->name, $one->kind, strtolower($line->severity()), $one->claim, $one->detail, $one->is_proven ? 'yes' : 'no',
                $one->proven_on?->format('Y-m-d'), $one->last_test_on?->format('Y-m-d'), $one->next_test_on?->format('Y-m-d'),
                $line->school(),
            ];
        }));
    }
}
