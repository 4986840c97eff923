<?php

declare(strict_types=1);

namespace App\Stage\Survey;

use App\Models\TransferSwitch;
use Escapement\Core\Survey\Subject;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

final readonly class SavePage
{
    public function __construct(private KeepPage $keeper) {}

    public function __invoke(Request $request, TransferSwitch $switch, string $subject): RedirectResponse
    {
        $site = $this->keeper->keep($request, $switch->id, Subject::from($subject));
        $next = $request->boolean('next') ? SurveyPage::after($subject) : $subject;

        return redirect()->route('survey', ['site' => $site, 'on' => $next, 'switch' => $switch->id])->with('said', 'Saved.');
    }
}
