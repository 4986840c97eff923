<?php

declare(strict_types=1);

namespace App\Stage\Handover;

use App\Http\Middleware\ByLink;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;

/** The page behind the owner's link. */
final readonly class ShowOwner
{
    public function __invoke(Request $request, string $token): View
    {
        return view('handover.owner', ['page' => new OwnerPage(ByLink::run($request), $token)]);
    }
}
