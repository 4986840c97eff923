<?php

declare(strict_types=1);

namespace App\Stage\Survey;

use App\Http\Typed;
use App\Models\Site;
use App\Stage\SiteStanding;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Survey\Subject;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;

final readonly class ShowSurvey
{
    public function __invoke(Request $request, Site $site): View
    {
        $needs = array_map(static fn(string $one): string => "switches.$one", array_diff(SiteStanding::NEEDS, ['site.switches']));
        $site->load(['switches.photos.user', ...$needs]);
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
