<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Models\LoadTest;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** A batch of readings from a device that was without a network, and what they prove so far. */
final readonly class TakeReadings
{
    private const MOST = 1000;

    public function __construct(private KeepReadings $keeper) {}

    public function __invoke(Request $request, LoadTest $test): JsonResponse
    {
        $readings = $request->json('readings');
        if (! is_array($readings) || ! array_is_list($readings) || count($readings) > self::MOST) {
            return response()->json(['error' => ['path' => '/readings', 'message' => 'A list of up to 1000 readings is needed.']], 422);
        }
        /** @var User $user */
        $user = $request->user();
        $answer = $this->keeper->keep($test, $user, $readings);
        $page = new ReadPage(ReadPage::loaded($test->id), $user);

        return response()->json($answer + [
            'last' => $page->last(), 'taken' => $page->taken(), 'proved' => $page->proved(), 'stops' => $page->stops(),
        ]);
    }
}
