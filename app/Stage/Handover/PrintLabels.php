<?php

declare(strict_types=1);

namespace App\Stage\Handover;

use App\Bridge\PanelFacts;
use App\Bridge\PlanFacts;
use App\Bridge\SwitchFacts;
use App\Bridge\TestPointFacts;
use App\Models\TransferSwitch;
use App\Stage\Paper;
use App\Stage\QrPicture;
use App\Stage\SiteStanding;
use Escapement\Core\Handover\EnclosureLabel;
use Escapement\Core\Plant\SelfActing;
use Illuminate\Http\Response;

/** Labels for the enclosures of a switch, each with the code that opens the site on a phone. */
final readonly class PrintLabels
{
    public function __invoke(TransferSwitch $switch): Response
    {
        $switch->load(SiteStanding::NEEDS);
        $kind = (new SwitchFacts($switch))->plant->kind;
        $plan = new PlanFacts($switch, $switch->plan);
        $bonding = $plan->bonding();
        $labels = EnclosureLabel::of(
            $switch->name,
            $kind,
            $plan->plan->oneLine(),
            $plan->plan->names(),
            $bonding->isKnown() ? $bonding->bondedAfter() : null,
            TestPointFacts::ofSwitch($switch, $plan->plan),
        );
        $panel = (new PanelFacts($switch))->built();
        if ($panel !== null) {
            [$first, $second] = (new SelfActing($switch->site->installation))->sides();
            array_splice($labels, 1, 0, [EnclosureLabel::ofPanel($panel, "the $first", "the $second")]);
        }
        $address = route('survey', ['site' => $switch->site_id, 'switch' => $switch->id]);

        return Paper::of(
            view(
                'handover.labels-pdf',
                [
                    'labels' => $labels,
                    'standing' => new SiteStanding($switch->site, $switch),
                    'switch' => $switch,
                    'address' => $address,
                    'code' => QrPicture::of($address),
                ],
            ),
            $switch->site,
            'labels',
        );
    }
}
