<?php

declare(strict_types=1);

namespace App\Stage\Api;

use App\Models\TransferSwitch;
use Illuminate\Http\JsonResponse;

final readonly class ShowLoads
{
    public function __invoke(TransferSwitch $switch): JsonResponse
    {
        return Lines::json(Lines::loads($switch));
    }
}
