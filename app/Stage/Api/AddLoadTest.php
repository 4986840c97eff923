<?php

declare(strict_types=1);

namespace App\Stage\Api;

use App\Models\TransferSwitch;
use App\Stage\LoadTest\OpenLoadTest;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Plans a load test as the form does. */
final readonly class AddLoadTest
{
    public function __construct(private OpenLoadTest $opener) {}

    public function __invoke(Request $request, TransferSwitch $switch): JsonResponse
    {
        $test = $this->opener->open($request, $switch);

        return Lines::json(Lines::loadTest($test->load('user')), 201, ['Location' => route('api.load-test', $test)]);
    }
}
