<?php

declare(strict_types=1);

namespace App\Stage\Commissioning;

use App\Models\Run;
use App\Models\User;
use App\Stage\Maker;
use App\Stage\Picture;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** One picture from a device: each goes by itself, so that a network that drops every few seconds loses one at most. */
final readonly class TakePhoto
{
    public function __construct(private KeepPhoto $keeper) {}

    public function __invoke(Request $request, Run $run): JsonResponse
    {
        $fields = $request->validate(
            ['id' => ['required', 'uuid'], 'step' => ['required', 'string', 'max:120'], 'client_wall' => ['nullable', 'string', 'max:40'],
                'maker' => ['nullable', 'integer'], 'photo' => ['required', 'file', 'max:16384']],
            ['photo.*' => 'A picture of up to 16 MB.', 'id.*' => 'This must be a UUID.', 'step.*' => 'Which step?'],
        );
        /** @var User $user */
        $user = $request->user();
        $stranger = Maker::fault($fields['maker'] ?? null, $user);
        if ($stranger !== null) {
            return response()->json(['error' => ['path' => "/$stranger[0]", 'message' => $stranger[1]]], 403);
        }
        $picture = Picture::of($fields['photo']);
        $fault = $picture === null ? [
            'field' => 'photo', 'message' => Picture::UNREADABLE,
        ]
            : $this->keeper->keep($run, $user, $fields['id'], $fields['step'], $picture, $fields['client_wall'] ?? null);

        return $fault === null ? response()->json(['kept' => $fields['id']]) : response()->json(
            ['error' => ['path' => "/{$fault['field']}", 'message' => $fault['message']]],
            422,
        );
    }
}
