<?php

declare(strict_types=1);

namespace App\Stage\Api;

use App\Models\TransferSwitch;
use App\Stage\Survey\KeepPage;
use Escapement\Core\Survey\Subject;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Answers of one page of the survey. What is left out stays as it was; null takes an answer back. */
final readonly class SaveSurvey
{
    public function __construct(private KeepPage $keeper) {}

    public function __invoke(Request $request, TransferSwitch $switch, string $subject): JsonResponse
    {
        $this->keeper->keep($request, $switch->id, Subject::from($subject));

        return Lines::json(Lines::switch($switch->refresh()->load('sheets.user')));
    }
}
