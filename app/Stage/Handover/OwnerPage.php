<?php

declare(strict_types=1);

namespace App\Stage\Handover;

use App\Bridge\SwitchFacts;
use App\Models\Run;
use App\Stage\Commissioning\RunResult;
use Escapement\Core\Handover\OwnerWords;

/** What an owner gets: how it behaves, what was proved and what not, and the sheet as it was left. */
final readonly class OwnerPage
{
    public Report $report;
    public OwnerWords $words;

    public function __construct(public Run $run, public string $token)
    {
        $this->report = new Report($run);
        $facts = new SwitchFacts($run->switch, $run->plantThen());
        $this->words = new OwnerWords($facts->plant, $facts->settings($run->sheet->settings), $facts->loads(), SwitchFacts::habits($run->sheet->habits));
    }

    /** @return list<string> */
    public function proved(): array
    {
        $proved = [];
        foreach ($this->report->result->verdict->runs as $timed) {
            foreach ($timed->intervals as $interval) {
                if ($interval->verdict->value === 'pass') {
                    $proved[] = RunResult::intervalName($interval->event) . ': ' . RunResult::seconds($interval->measuredMs) . ', inside its window.';
                }
            }
            foreach ($timed->baits as $bait) {
                if ($bait->verdict === 'pass') {
                    $proved[] = 'The load stayed on the generator while the power came back for a moment only.';
                }
            }
        }

        return array_values(array_unique($proved));
    }
}
