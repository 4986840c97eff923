<?php

declare(strict_types=1);

namespace App\Stage\Board;

use App\Models\User;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;

final readonly class ShowBoard
{
    public function __invoke(Request $request): View
    {
        /** @var User $user */
        $user = $request->user();
        $now = Carbon::now();
        $waiting = (new StatusBook($now))->freshen($user->company_id);

        return view($request->hasHeader('HX-Request') ? 'board.partials._sites' : 'board.page', [
            'page' => new BoardPage($user, BoardView::of($request), $now, $waiting),
        ]);
    }
}
