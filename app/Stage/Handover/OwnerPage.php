<?php

declare(strict_types=1);

namespace App\Stage\Handover;

use App\Bridge\ExerciseFacts;
use App\Bridge\ProofFromRuns;
use App\Bridge\SwitchFacts;
use App\Models\Company;
use App\Models\Photo;
use App\Models\Run;
use App\Stage\LoadTest\JudgedTest;
use App\Stage\LoadTest\TestReport;
use App\Stage\Plan\LandingPage;
use App\Stage\Plan\PlanLook;
use App\Stage\Plan\PlanPage;
use App\Stage\SiteStanding;
use App\Stage\Upkeep\UpkeepPage;
use Escapement\Core\Commissioning\Procedure\RowItem;
use Escapement\Core\Commissioning\Proof\PartStanding;
use Escapement\Core\Commissioning\Proof\PartState;
use Escapement\Core\Handover\OwnerWords;
use Illuminate\Support\Carbon;

/** What an owner gets: how it behaves, what was proved and what not, and the sheet as it was left. */
final readonly class OwnerPage
{
    private const MOST_PICTURES = 12;

    public Report $report;
    public SiteStanding $standing;
    public OwnerWords $words;
    /** The load test that counts for the proof; where none does, the one that was signed last. */
    public ?TestReport $loadTest;
    public Company $company;
    public PlanPage $plan;
    public LandingPage $landing;
    /** @var list<Photo> what the run has as evidence, in the order of the procedure, then the latest of the survey */
    public array $photos;

    public function __construct(public Run $run, public string $token)
    {
        $run->load([
            'photos.file',
            ...array_map(static fn(string $need): string => "switch.$need", SiteStanding::NEEDS),
            'switch.photos.file',
        ]);
        $this->report = new Report($run);
        $test = ProofFromRuns::counting($run->switch)->standing()->id ?? $run->switch->closedLoadTests->last()?->id;
        $this->loadTest = $test === null ? null : TestReport::of($test);
        $this->standing = new SiteStanding($run->switch->site, $run->switch);
        $this->plan = PlanPage::of($run->switch, $run->switch->plan, new PlanLook(bonds: 'after'));
        $this->landing = new LandingPage($run->switch);
        $order = array_flip(array_map(static fn(ProcedureLine $line): string => $line->step->id, $this->report->procedure));
        $this->photos = array_slice(
            [
                ...$run->photos->sortBy(static fn(Photo $photo): int => $order[$photo->step] ?? count($order))->all(),
                ...$run->switch->photos->where('run_id', null)->reverse()->all(),
            ],
            0,
            self::MOST_PICTURES,
        );
        $this->company = $run->user->company;
        $facts = new SwitchFacts($run->switch, $run->plantThen());
        $this->words = new OwnerWords(
            $facts->plant,
            $facts->settings($run->sheet->settings),
            $facts->loads(),
            SwitchFacts::habits($run->sheet->habits),
            $this->company->toCall(),
            $this->report->panel,
        );
    }

    /** The next time it starts by itself, by the clock of the site; null where nothing is scheduled by its sheet. */
    public function nextExercise(): ?string
    {
        $next = ExerciseFacts::next($this->run->switch, Carbon::now());

        return $next === null ? null : UpkeepPage::local($next);
    }

    /** What the last load test showed, in one sentence. */
    public function loadTestWords(): string
    {
        $test = $this->loadTest?->test;
        if ($test?->closed_at === null) {
            return 'None is signed yet. Only a run with load shows that it carries the building.';
        }

        return $this->standing->date($test->closed_at) . ": {$this->loadTest?->judged->title()}: "
            . lcfirst(JudgedTest::VERDICTS[$test->verdict] ?? '') . '.';
    }

    /** @return list<string> what the switch has proved by now, each with its day; from the same standing as every other page */
    public function proved(): array
    {
        $day = $this->provedOn();

        return array_map(
            fn(PartStanding $one): string => $one->part->ownerWords()
                . ($day === null ? ' ' . $this->standing->date(Carbon::parse((string) $one->record?->at)) . '.' : ''),
            $this->standing->proof?->in(PartState::Proved) ?? [],
        );
    }

    /** The day on which all of it was proved; null where it was on several. */
    public function provedOn(): ?string
    {
        $days = array_unique(array_map(
            fn(PartStanding $one): string => $this->standing->date(Carbon::parse((string) $one->record?->at)),
            $this->standing->proof?->in(PartState::Proved) ?? [],
        ));

        return count($days) === 1 ? reset($days) : null;
    }

    /** @return list<string> */
    public function notProved(): array
    {
        $words = [];
        foreach ($this->standing->proof?->in(PartState::Failed, PartState::Open, PartState::Stale, PartState::NotAsked) ?? [] as $one) {
            $words[] = $one->part->label() . ': ' . $one->state->label() . '.'
                . ($one->because === [] || $one->state === PartState::NotAsked ? '' : ' ' . implode(
                    '. ',
                    array_map(static fn(string $why): string => rtrim($why, '.'), $one->because),
                ) . '.');
        }

        return $words;
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
