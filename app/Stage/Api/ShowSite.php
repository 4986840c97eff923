<?php

declare(strict_types=1);

namespace App\Stage\Api;

use App\Models\Site;
use Illuminate\Http\JsonResponse;

final readonly class ShowSite
{
    public function __invoke(Site $site): JsonResponse
    {
        return Lines::json(Lines::site($site->load('switches')));
    }
}
