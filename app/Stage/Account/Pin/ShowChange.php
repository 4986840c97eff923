<?php

declare(strict_types=1);

namespace App\Stage\Account\Pin;

use App\Models\User;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;

/** Who takes this phone now. */
final readonly class ShowChange
{
    public function __invoke(Request $request): View
    {
        /** @var User $user */
        $user = $request->user();

        return view('account.change', [
            'pins' => Device::of($request)->pins($user->company_id)->where('user_id', '!=', $user->id)->values(),
            'back' => Back::of($request),
        ]);
    }
}
