<?php

declare(strict_types=1);

namespace App\Stage\Commissioning;

use App\Models\Run;
use App\Models\User;
use Escapement\Core\Input\BadInput;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

final readonly class TakeMarks
{
    private const MOST = 1000;

    public function __construct(private KeepMarks $keeper) {}

    public function __invoke(Request $request, Run $run): JsonResponse
    {
        $marks = $request->json('marks');
        if (! is_array($marks) || ! array_is_list($marks) || count($marks) > self::MOST) {
            throw new BadInput('/marks', 'A list of up to 1000 marks is needed.');
        }
        /** @var User $user */
        $user = $request->user();
        $answer = $this->keeper->keep($run, $user, $marks);

        return response()->json($answer + ['marks' => $run->marks()->get()->map(MarkLine::toArray(...))->all()]);
    }
}
