<?php

declare(strict_types=1);

namespace App\Stage\Commissioning;

use App\Models\Run;
use App\Stage\SentPhoto;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** One picture from a device: each goes by itself, so that a network that drops every few seconds loses one at most. */
final readonly class TakePhoto
{
    public function __construct(private KeepPhoto $keeper) {}

    public function __invoke(Request $request, Run $run): JsonResponse
    {
        $photo = SentPhoto::of($request, ['step' => [['required', 'string', 'max:120'], 'Which step?']]);
        $fault = $this->keeper->keep($run, $photo->sender, $photo->id, $photo->to, $photo->picture, $photo->wall);

        return $fault === null ? $photo->kept() : SentPhoto::refused($fault['field'], $fault['message']);
    }
}
