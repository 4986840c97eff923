<?php

declare(strict_types=1);

namespace App\Stage\Api;

use App\Models\TransferSwitch;
use App\Models\User;
use App\Stage\Commissioning\OpenRun;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Begins a run against the newest sheet. The person who begins it has read the hazards of the site: a program says so for them. */
final readonly class AddRun
{
    private const REACTION_MS = 500;

    public function __construct(private OpenRun $opener) {}

    public function __invoke(Request $request, TransferSwitch $switch): JsonResponse
    {
        $fields = $request->validate(
            ['hazards_read' => ['accepted'], 'reaction_ms' => ['nullable', 'integer', 'between:0,60000'], 'press' => ['nullable', 'uuid']],
            [
                'hazards_read.accepted' => 'The person who works has read the hazards first: true says so.',
                'reaction_ms.*' => 'Reaction time in milliseconds, 0 to 60 000.',
                'press.*' => 'A UUID: the same one begins one run.',
            ],
        );
        if ($switch->sheet()->doesntExist()) {
            return Problem::answer(409, 'This switch has no settings sheet to be timed against.');
        }
        /** @var User $user */
        $user = $request->user();
        $run = $this->opener->open($switch, $user, (int) ($fields['reaction_ms'] ?? self::REACTION_MS), press: $fields['press'] ?? null);

        return Lines::json(Lines::run($run->load(['sheet', 'user'])), 201, ['Location' => route('api.run', $run)]);
    }
}
