<?php

declare(strict_types=1);

namespace App\Stage\Board;

use App\Stage\SiteStanding;
use Escapement\Core\Commissioning\Proof\SiteNeed;

/** What a switch needs first, in words, and where it is put right. */
final readonly class FirstNeed
{
    public static function of(SiteStanding $standing): BoardNeed
    {
        $need = $standing->need();
        [$title, $why] = self::words($need, $standing);

        return new BoardNeed($need->weight(), $title, $why, self::where($need, $standing));
    }

    /** @return array{string, string} what, and why or what to do */
    private static function words(SiteNeed $need, SiteStanding $standing): array
    {
        $name = $standing->site->name;
        $circuitStops = $standing->switch->circuit->stops ?? 0;
        $report = $standing->switch?->ownerReports->first();

        return match ($need) {
            SiteNeed::Switch => ["$name has no switch yet", 'Survey: say what is there'],
            SiteNeed::OwnerReport => [
                "$name: the owner says " . (string) preg_replace('/^owner: /', '', (string) ($report->fields['code'] ?? 'something')),
                ($report->note ?? '') === '' ? 'Call, then read it in the logbook' : (string) $report?->note,
            ],
            SiteNeed::FailedProof => ["$name: part of the proof failed", $standing->proofSentence()],
            SiteNeed::Circuit => [
                "$name: the control circuit does not prove",
                ($circuitStops === 1 ? '1 stop finding' : "$circuitStops stop findings") . '; connect no source before it is corrected',
            ],
            SiteNeed::Settings => ["$name: " . lcfirst($standing->stops()[0]->message), $standing->stops()[0]->because],
            SiteNeed::Signature => ["$name has a run that is not signed", 'Continue at the stopwatch, or sign it'],
            SiteNeed::StaleProof => ["$name was changed after it was proved", implode('; ', array_slice($standing->changes(), 0, 2))],
            SiteNeed::Sheet => ["$name has no settings yet", 'Begin from the template of its type'],
            SiteNeed::FirstProof => ["$name: nothing is proved yet", 'Rehearse it, then take the stopwatch'],
            SiteNeed::RestOfProof => ["$name is " . $standing->proof?->state->label(), 'Not proved: ' . $standing->proof?->missing()],
            SiteNeed::NewerProof => ["$name is to be looked at again", 'The procedure proves more now: ' . $standing->proof?->again()],
            SiteNeed::Nothing => ['Nothing needed', 'as left'],
        };
    }

    private static function where(SiteNeed $need, SiteStanding $standing): string
    {
        return match ($need) {
            SiteNeed::Switch => route('survey', $standing->site),
            SiteNeed::OwnerReport => route('logbook', $standing->switch),
            SiteNeed::Circuit => route('circuit', $standing->switch),
            SiteNeed::Settings, SiteNeed::Sheet => route('sheet', $standing->switch),
            SiteNeed::Signature => route('run', $standing->switch?->run),
            SiteNeed::FailedProof, SiteNeed::StaleProof, SiteNeed::FirstProof, SiteNeed::RestOfProof, SiteNeed::NewerProof,
            SiteNeed::Nothing => route('runs', $standing->switch),
        };
    }
}
