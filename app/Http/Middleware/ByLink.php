<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\HandoverLink;
use App\Models\Role;
use App\Models\Run;
use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpFoundation\Response;

/**
 * Opens what an owner's link is for. A link that is unknown, ended or run out names nothing. For this one request the
 * company of its maker is seen, and of it the page shows one signed run; nobody is signed in by it.
 */
final readonly class ByLink
{
    public function handle(Request $request, \Closure $next): Response
    {
        $token = $request->route('token');
        $query = HandoverLink::query()->withoutGlobalScope('company');
        $query->with('user')->where('token_hash', HandoverLink::hash(is_string($token) ? $token : ''));
        $link = $query->first();
        if ($link === null || ! $link->isOpen()) {
            abort(404);
        }
        $before = Auth::user();
        // a guest's last day ends nothing for the owner
        Auth::setUser($link->user->role === Role::Guest ? User::readerOf($link->company_id) ?? $link->user : $link->user);
        try {
            $run = Run::query()->findOrFail($link->run_id);
            abort_unless($run->isSigned(), 404);
            $request->attributes->set('run', $run);

            return $next($request);
        } finally {
            $before === null ? Auth::forgetUser() : Auth::setUser($before);
        }
    }

    public static function run(Request $request): Run
    {
        $run = $request->attributes->get('run');

        return $run instanceof Run ? $run : throw new \LogicException('This route is reached by a link only.');
    }
}
