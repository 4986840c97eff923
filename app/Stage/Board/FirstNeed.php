<?php

declare(strict_types=1);

namespace App\Stage\Board;

use App\Stage\SiteStanding;
use Escapement\Core\Commissioning\Proof\StandingState;

/** What a switch needs first: the worst that stands against it, where it is put right. */
final readonly class FirstNeed
{
    public static function of(SiteStanding $standing): BoardNeed
    {
        $name = $standing->site->name;
        $switch = $standing->switch;
        $run = $switch?->run;
        $stops = $standing->stops();
        $survey = route('survey', $standing->site);
        $report = $switch?->ownerReports->first();

        return match (true) {
            $switch === null => new BoardNeed('note', "$name has no switch yet", 'Survey: say what is there', $survey),
            $report !== null => new BoardNeed(
                'stop',
                "$name: the owner says " . (string) preg_replace('/^owner: /', '', (string) ($report->fields['code'] ?? 'something')),
                ($report->note ?? '') === '' ? 'Call, then read it in the logbook' : (string) $report->note,
                route('logbook', $switch),
            ),
            $standing->proof?->state === StandingState::Failed => new BoardNeed(
                'stop',
                "$name: part of the proof failed",
                $standing->proofSentence(),
                route('runs', $switch),
            ),
            ($switch->circuit->stops ?? 0) > 0 => new BoardNeed(
                'stop',
                "$name: the control circuit does not prove",
                ($switch->circuit?->stops === 1 ? '1 stop finding' : "{$switch->circuit?->stops} stop findings")
                    . '; connect no source before it is corrected',
                route('circuit', $switch),
            ),
            $stops !== [] => new BoardNeed('stop', "$name: " . lcfirst($stops[0]->message), $stops[0]->because, route('sheet', $switch)),
            $run !== null && ! $run->isSigned() => new BoardNeed(
                'warn',
                "$name has a run that is not signed",
                'Continue at the stopwatch, or sign it',
                route('run', $run),
            ),
            $standing->proof?->state === StandingState::Stale => new BoardNeed(
                'warn',
                "$name was changed after it was proved",
                implode('; ', array_slice($standing->changes(), 0, 2)),
                route('runs', $switch),
            ),
            $switch->sheet === null => new BoardNeed(
                'note',
                "$name has no settings yet",
                'Begin from the template of its type',
                route('sheet', $switch),
            ),
            $standing->proof?->state === StandingState::Never => new BoardNeed(
                'note',
                "$name: nothing is proved yet",
                'Rehearse it, then take the stopwatch',
                route('runs', $switch),
            ),
            $standing->proof?->state !== StandingState::Proven => new BoardNeed(
                'note',
                "$name is " . $standing->proof?->state->label(),
                'Not proved: ' . $standing->proof?->missing(),
                route('runs', $switch),
            ),
            $standing->proof->again() !== '' => new BoardNeed(
                'note',
                "$name is to be looked at again",
                'The procedure proves more now: ' . $standing->proof->again(),
                route('runs', $switch),
            ),
            default => new BoardNeed('proven', 'Nothing needed', 'as left', route('runs', $switch)),
        };
    }
}
