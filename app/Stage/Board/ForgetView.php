<?php

declare(strict_types=1);

namespace App\Stage\Board;

use App\Http\Typed;
use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;

final readonly class ForgetView
{
    public function __invoke(Request $request): RedirectResponse
    {
        $name = Typed::text($request, 'name', 40);
        DB::transaction(static function () use ($request, $name): void {
            $user = User::locked((int) $request->user()?->getAuthIdentifier());
            $user->update(['board_views' => array_values(array_filter(
                $user->boardViews(),
                static fn(array $one): bool => $one['name'] !== $name,
            ))]);
        });

        return redirect()->route('board');
    }
}
