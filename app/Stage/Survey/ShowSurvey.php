<?php

declare(strict_types=1);

namespace App\Stage\Survey;

use App\Models\Site;
use Escapement\Core\Template\InstallationKind;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;

final readonly class ShowSurvey
{
    public function __invoke(Request $request, Site $site): View
    {
        $site->load(['switches.sheet', 'switches.loads', 'switches.run.sheet', 'switches.run.user', 'switches.proof.sheet', 'switches.proof.user']);
        $switch = $site->switches->firstWhere('id', $request->integer('switch')) ?? $site->switches->first();

        return view('survey.page', ['page' => new SurveyPage($site, $switch), 'kinds' => InstallationKind::cases()]);
    }
}
