<?php

declare(strict_types=1);

namespace App\Stage\Account\Pin;

use App\Http\Typed;
use Illuminate\Http\Request;

/** The page that somebody was at, as a path of this host: never an address elsewhere. */
final readonly class Back
{
    public static function of(Request $request): string
    {
        $path = Typed::text($request, 'back', 300);

        return preg_match('#^/(?![/\\\\])[\w\-./?=&%]*$#', $path) === 1 ? $path : '/';
    }
}
