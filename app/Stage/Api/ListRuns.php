<?php

declare(strict_types=1);

namespace App\Stage\Api;

use App\Models\TransferSwitch;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

final readonly class ListRuns
{
    public function __invoke(Request $request, TransferSwitch $switch): JsonResponse
    {
        $size = Lines::size($request);
        $runs = $switch->runs()->with(['sheet', 'user']);
        $runs->reorder('id');

        return Lines::page($runs->paginate($size), Lines::run(...));
    }
}
