<?php

declare(strict_types=1);

namespace App\Stage\Survey;

use App\Http\Typed;
use App\Models\Site;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Survey\Subject;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;

final readonly class ShowSurvey
{
    public function __invoke(Request $request, Site $site): View
    {
        $site->load([
            'switches.plan', 'switches.sheet', 'switches.loads', 'switches.photos.user', 'switches.run.sheet', 'switches.run.user',
            'switches.proofs',
        ]);
        $switch = $site->switches->firstWhere('id', $request->integer('switch')) ?? $site->switches->first();

        return view(
            'survey.page',
            [
                'page' => new SurveyPage($site, $switch, Subject::tryFrom(Typed::text($request, 'on', 20)) ?? Subject::Service),
                'kinds' => InstallationKind::cases(),
            ],
        );
    }
}
