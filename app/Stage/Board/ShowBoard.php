<?php

declare(strict_types=1);

namespace App\Stage\Board;

use App\Http\Typed;
use App\Models\Site;
use Illuminate\Contracts\View\View;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;

final readonly class ShowBoard
{
    public function __invoke(Request $request): View
    {
        $wanted = Typed::text($request, 'q', 80);
        $query = Site::query()->with([
            'switches.sheet', 'switches.loads', 'switches.plan', 'switches.run.sheet', 'switches.run.user', 'switches.proofs',
            'switches.loadTest', 'switches.circuit', 'switches.closedLoadTests', 'switches.upkeep', 'switches.ownerReports',
        ]);
        if ($wanted !== '') {
            $like = '%' . addcslashes($wanted, '%_\\') . '%';
            $query->where(static function (Builder $inner) use ($like): void {
                $inner->where('name', 'like', $like)->orWhere('address', 'like', $like)->orWhere('owner', 'like', $like);
            });
        }
        $query->orderBy('name');

        return view($request->hasHeader('HX-Request') ? 'board.partials._sites' : 'board.page', [
            'page' => new BoardPage($query->get()->all(), $wanted, Carbon::now()),
        ]);
    }
}
