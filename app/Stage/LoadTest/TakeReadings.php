<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Models\LoadTest;
use App\Models\User;
use Escapement\Core\Input\BadInput;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** A batch of readings and marks from a device that was without a network, and what they prove so far. */
final readonly class TakeReadings
{
    private const MOST = 1000;

    public function __construct(private KeepReadings $keeper) {}

    public function __invoke(Request $request, LoadTest $test): JsonResponse
    {
        $lists = [];
        foreach (['readings', 'marks'] as $key) {
            $list = $request->json($key, []);
            if (! is_array($list) || ! array_is_list($list) || count($list) > self::MOST) {
                throw new BadInput("/$key", "A list of up to 1000 $key is needed.");
            }
            $lists[$key] = $list;
        }
        /** @var User $user */
        $user = $request->user();
        $answer = $this->keeper->keep($test, $user, $lists['readings'], $lists['marks']);
        $page = new ReadPage(LoadTestPage::loaded($test->id), $user);

        return response()->json($answer + [
            'last' => $page->last(), 'taken' => $page->taken(), 'marks' => $page->marks(), 'proved' => $page->proved(),
            'stops' => $page->stops(),
        ]);
    }
}
