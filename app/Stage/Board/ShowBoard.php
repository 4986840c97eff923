<?php

declare(strict_types=1);

namespace App\Stage\Board;

use App\Models\Site;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;

final readonly class ShowBoard
{
    public function __invoke(Request $request): View
    {
        $wanted = trim($request->string('q')->limit(80, '')->value());
        $sites = Site::query()
            ->with(['switches.sheet', 'switches.loads', 'switches.run.sheet', 'switches.run.user'])
            ->when($wanted !== '', static function ($query) use ($wanted): void {
                $like = '%' . addcslashes($wanted, '%_\\') . '%';
                $query->where(static fn($inner) => $inner->where('name', 'like', $like)->orWhere('address', 'like', $like)->orWhere('owner', 'like', $like));
            })
            ->orderBy('name')
            ->get();

        return view($request->hasHeader('HX-Request') ? 'board.partials._sites' : 'board.page', [
            'page' => new BoardPage($sites->all(), $wanted, Carbon::now()),
        ]);
    }
}
