<?php

declare(strict_types=1);

namespace App\Stage\Api;

use App\Models\TransferSwitch;
use App\Models\User;
use App\Stage\Settings\TakeSheet;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** A sheet, as it is read from /sheets/{version}, becomes the next version, proposed. */
final readonly class AddSheet
{
    public function __construct(private TakeSheet $sheets) {}

    public function __invoke(Request $request, TransferSwitch $switch): JsonResponse
    {
        /** @var User $user */
        $user = $request->user();
        $sheet = $this->sheets->take($request->getContent(), $switch, $user);
        if ($sheet === null) {
            return Problem::answer(409, 'Somebody saved a version at this very moment: look at it, and send yours again.');
        }
        $to = route('api.sheet', ['switch' => $switch, 'version' => $sheet->version]);

        return Lines::json(Lines::sheet($sheet->load('user')), 201, ['Location' => $to]);
    }
}
