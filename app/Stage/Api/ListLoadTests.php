<?php

declare(strict_types=1);

namespace App\Stage\Api;

use App\Models\LoadTest;
use App\Models\TransferSwitch;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

final readonly class ListLoadTests
{
    public function __invoke(Request $request, TransferSwitch $switch): JsonResponse
    {
        $size = Lines::size($request);
        $tests = LoadTest::query()->where('switch_id', $switch->id)->with('user');
        $tests->orderBy('id');

        return Lines::page($tests->paginate($size), Lines::loadTest(...));
    }
}
