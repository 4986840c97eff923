<?php

declare(strict_types=1);

namespace App\Stage\Handover;

use App\Bridge\SwitchFacts;
use App\Models\Photo;
use App\Models\Run;
use App\Stage\Commissioning\RunResult;
use App\Stage\Plan\LandingPage;
use App\Stage\Plan\PlanLook;
use App\Stage\Plan\PlanPage;
use App\Stage\SiteStanding;
use Escapement\Core\Commissioning\Procedure\RowItem;
use Escapement\Core\Handover\OwnerWords;

/** What an owner gets: how it behaves, what was proved and what not, and the sheet as it was left. */
final readonly class OwnerPage
{
    private const MOST_PICTURES = 12;

    public Report $report;
    public OwnerWords $words;
    public PlanPage $plan;
    public LandingPage $landing;
    /** @var list<Photo> what the run has as evidence, in the order of the procedure, then the latest of the survey */
    public array $photos;

    public function __construct(public Run $run, public string $token)
    {
        $run->load(['photos.file', ...array_map(static fn(string $need): string => "switch.$need", SiteStanding::NEEDS), 'switch.photos.file']);
        $this->report = new Report($run);
        $this->plan = PlanPage::of($run->switch, $run->switch->plan, new PlanLook(bonds: 'after'));
        $this->landing = new LandingPage($run->switch);
        $order = array_flip(array_map(static fn(ProcedureLine $line): string => $line->step->id, $this->report->procedure));
        $this->photos = array_slice([...$run->photos->sortBy(static fn(Photo $photo): int => $order[$photo->step] ?? count($order))->all(), ...$run->switch->photos->where('run_id', null)->reverse()->all()], 0, self::MOST_PICTURES);
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
                    $proved[] = RunResult::intervalName($interval->event) . ($timed->isByButton ? ', begun by the test button' : '') . ': ' . RunResult::seconds($interval->measuredMs) . ', inside its window.';
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

    /** The small picture inside the page: a link's page has nothing else to ask for. */
    public function picture(Photo $photo): string
    {
        return 'data:image/jpeg;base64,' . base64_encode($photo->file->small ?? '');
    }

    /** @param array<string, mixed> $line of the landing list */
    public function torqued(string $enclosure, array $line): string
    {
        $id = "install/torque-$enclosure-{$line['conductor']}-" . RowItem::slug((string) $line['feeder']);
        foreach ($this->report->procedure as $one) {
            if ($one->step->id === $id && $one->value() !== null) {
                return "{$one->value()} {$one->step->band?->unit}";
            }
        }

        return '';
    }
}
