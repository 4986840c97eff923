<?php

declare(strict_types=1);

namespace App\Stage\Board;

use App\Stage\SiteStanding;
use App\Stage\StageRow;

final readonly class BoardRow
{
    public string $name;
    public string $kind;
    public string $url;
    /** @var list<StageRow> */
    public array $stages;
    public ?string $provenWhen;
    public ?string $provenHow;
    public BoardNeed $need;

    public function __construct(SiteStanding $standing, bool $namesSwitch)
    {
        $site = $standing->site;
        $this->name = $site->name . ($namesSwitch ? ', ' . ($standing->switch->name ?? '') : '');
        $this->kind = $site->installation->short();
        $this->stages = $standing->stages();
        $proof = $standing->proof();
        $this->provenWhen = $proof?->signed_at === null ? null : $standing->date($proof->signed_at);
        $this->provenHow = $proof === null ? null : $proof->user->initials() . ', simulated outage';
        $this->need = $this->firstNeed($standing);
        $this->url = $this->need->url;
    }

    private function firstNeed(SiteStanding $standing): BoardNeed
    {
        $name = $standing->site->name;
        $switch = $standing->switch;
        $run = $switch?->run;
        $stops = $standing->stops();
        $survey = route('survey', $standing->site);

        return match (true) {
            $switch === null => new BoardNeed('note', "$name has no switch yet", 'Survey: say what is there', $survey),
            $run !== null && $run->verdict === 'fail' => new BoardNeed('stop', "$name did not pass its run", 'Look at the verdict, change the sheet, prove it again', route('run', $run)),
            $stops !== [] => new BoardNeed('stop', "$name: " . lcfirst($stops[0]->message), $stops[0]->because, route('sheet', $switch)),
            $run !== null && ! $run->isSigned() => new BoardNeed('warn', "$name has a run that is not signed", 'Go on at the stopwatch, or sign it', route('run', $run)),
            $standing->isChangedSinceProven() => new BoardNeed('warn', "$name was changed after it was proven", $standing->hasNewerSheet() ? 'Version ' . $switch->sheet?->version . ' was never timed' : implode('; ', array_slice($standing->changes(), 0, 2)), route('runs', $switch)),
            $switch->sheet === null => new BoardNeed('note', "$name has no settings yet", 'Begin from the template of its kind', route('sheet', $switch)),
            $standing->proof() === null => new BoardNeed('note', "$name was never timed", 'Rehearse it, then take the stopwatch', route('runs', $switch)),
            default => new BoardNeed('proven', 'Nothing needed', 'as left', route('runs', $switch)),
        };
    }
}
