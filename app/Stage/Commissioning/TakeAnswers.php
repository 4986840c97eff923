<?php

declare(strict_types=1);

namespace App\Stage\Commissioning;

use App\Models\Run;
use App\Models\User;
use Escapement\Core\Input\BadInput;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** A batch of answers from a device that was without a network. */
final readonly class TakeAnswers
{
    private const MOST = 1000;

    public function __construct(private KeepAnswers $keeper) {}

    public function __invoke(Request $request, Run $run): JsonResponse
    {
        $answers = $request->json('answers');
        if (! is_array($answers) || ! array_is_list($answers) || count($answers) > self::MOST) {
            throw new BadInput('/answers', 'A list of up to 1000 answers is needed.');
        }
        /** @var User $user */
        $user = $request->user();

        return response()->json($this->keeper->keep($run, $user, $answers));
    }
}
