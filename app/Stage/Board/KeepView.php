<?php

declare(strict_types=1);

namespace App\Stage\Board;

use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

/** Keeps what is shown of the board under a name, for the signed-in person; the same name again replaces it. */
final readonly class KeepView
{
    private const MOST = 12;

    public function __invoke(Request $request): RedirectResponse
    {
        $fields = $request->validate(['name' => ['required', 'string', 'max:40']], ['name.*' => 'A name of up to 40 characters.']);
        $view = BoardView::of($request);
        DB::transaction(static function () use ($request, $fields, $view): void {
            $user = User::locked((int) $request->user()?->getAuthIdentifier());
            $views = array_values(array_filter($user->boardViews(), static fn(array $one): bool => $one['name'] !== $fields['name']));
            if (count($views) >= self::MOST) {
                throw ValidationException::withMessages(['name' => 'Twelve views are kept already; forget one first.']);
            }
            $user->update(['board_views' => [...$views, ['name' => $fields['name'], 'query' => $view->query()]]]);
        });

        return redirect()->route('board', $view->query());
    }
}
