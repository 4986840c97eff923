<?php

declare(strict_types=1);

namespace App\Stage\Handover;

use App\Http\Middleware\ByLink;
use App\Stage\Paper;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** The same on paper, with the report behind it. */
final readonly class PrintOwner
{
    public function __invoke(Request $request, string $token): Response
    {
        $page = new OwnerPage(ByLink::run($request), $token);

        return Paper::of(
            view('handover.owner-pdf', ['page' => $page, 'report' => $page->report]),
            $page->run->switch->site,
            'handover',
            'record ' . substr($page->run->head, 0, 16),
        );
    }
}
