<?php

declare(strict_types=1);

namespace App\Stage\SiteImport;

use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;

/** The list, its columns and what each line would become; nothing is kept by looking. */
final readonly class ShowImport
{
    public function __invoke(Request $request): View
    {
        return view('site-import.page', ['page' => ImportPage::of($request)]);
    }
}
