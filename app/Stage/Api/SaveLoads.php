<?php

declare(strict_types=1);

namespace App\Stage\Api;

use App\Models\TransferSwitch;
use App\Stage\Survey\KeepLoads;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** The whole list of loads in the place of the one that was there. */
final readonly class SaveLoads
{
    public function __construct(private KeepLoads $keeper) {}

    public function __invoke(Request $request, TransferSwitch $switch): JsonResponse
    {
        $request->validate(['loads' => ['present', 'array']], ['loads.*' => 'A list of loads; an empty one takes all of them away.']);
        $this->keeper->keep($request, $switch);

        return Lines::json(Lines::loads($switch->refresh()));
    }
}
