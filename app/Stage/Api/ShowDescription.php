<?php

declare(strict_types=1);

namespace App\Stage\Api;

use Illuminate\Http\JsonResponse;

final readonly class ShowDescription
{
    public function __invoke(): JsonResponse
    {
        return Lines::json(Description::document());
    }
}
