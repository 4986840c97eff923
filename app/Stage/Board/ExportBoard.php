<?php

declare(strict_types=1);

namespace App\Stage\Board;

use App\Models\SwitchStatus;
use App\Models\User;
use App\Stage\SheetCell;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** The list of the board as it is narrowed and sorted, as CSV. */
final readonly class ExportBoard
{
    private const HEAD = [
        'site', 'kind', 'severity', 'what', 'detail', 'proven_in_every_part', 'proven_on', 'last_load_test', 'next_load_test', 'school',
    ];

    public function __invoke(Request $request): StreamedResponse
    {
        /** @var User $user */
        $user = $request->user();
        $now = Carbon::now();
        (new StatusBook($now))->freshen($user->company_id);
        $statuses = BoardView::of($request)->narrowed(SwitchStatus::query(), $now)->get();

        return response()->streamDownload(static function () use ($statuses, $now): void {
            $paper = fopen('php://output', 'w') ?: throw new \LogicException('no output to write to');
            fputcsv($paper, self::HEAD, escape: '');
            foreach ($statuses as $one) {
                $line = new BoardLine($one, $now, null);
                fputcsv($paper, [
                    SheetCell::text($one->name), $one->kind, strtolower($line->severity()), SheetCell::text($one->claim),
                    SheetCell::text($one->detail), $one->is_proven ? 'yes' : 'no', $one->proven_on?->format('Y-m-d'),
                    $one->last_test_on?->format('Y-m-d'),
                    $one->next_test_on?->format('Y-m-d'), $line->school(),
                ], escape: '');
            }
            fclose($paper);
        }, 'board.csv', ['Content-Type' => 'text/csv; charset=utf-8']);
    }
}
