<?php

declare(strict_types=1);

namespace App\Stage\Api;

use App\Models\TransferSwitch;
use Illuminate\Http\JsonResponse;

/** A switch with its answers of the survey, and the versions of its sheet. */
final readonly class ShowSwitch
{
    public function __invoke(TransferSwitch $switch): JsonResponse
    {
        return Lines::json(Lines::switch($switch->load('sheets.user')));
    }
}
