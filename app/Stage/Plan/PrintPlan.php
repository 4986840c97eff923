<?php

declare(strict_types=1);

namespace App\Stage\Plan;

use App\Bridge\SurveyFacts;
use App\Models\TransferSwitch;
use App\Stage\Paper;
use App\Stage\SiteStanding;
use Illuminate\Http\Response;

/** All of the plan in one file: what was found, decided, drawn, sized, landed, timed and packed. */
final readonly class PrintPlan
{
    public function __invoke(TransferSwitch $switch): Response
    {
        $switch->load([...SiteStanding::NEEDS, 'photos']);
        $plan = PlanPage::of($switch, $switch->plan, new PlanLook());

        $survey = new SurveyFacts($switch);
        $wires = new WiresPage($switch, $switch->plan);

        return Paper::of(view('plan.pack-pdf', [
            'plan' => $plan, 'edition' => CodeEdition::of($switch, $switch->plan),
            'onGenerator' => PlanPage::of($switch, $switch->plan, new PlanLook('emergency')),
            'survey' => $survey,
            'answers' => new AnsweredQuestions($switch, $survey, $wires->units),
            'landing' => new LandingPage($switch),
            'wires' => $wires,
            'shedding' => new SheddingPage($switch),
            'mobile' => $switch->site->installation->isMobile() ? new MobilePage($switch) : null,
            'day' => new PowerDownPage($switch, $switch->plan),
            'pack' => new PackPage($switch),
        ]), $switch->site, 'plan');
    }
}
