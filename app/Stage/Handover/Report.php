<?php

declare(strict_types=1);

namespace App\Stage\Handover;

use App\Bridge\CircuitFacts;
use App\Bridge\ProcedureFacts;
use App\Bridge\RecordCheck;
use App\Bridge\RunHeader;
use App\Bridge\SwitchFacts;
use App\Bridge\TestPointFacts;
use App\Drawing\Ink;
use App\Drawing\Ladder\LadderDrawing;
use App\Drawing\Ladder\LadderLook;
use App\Drawing\Strip\TimingStrip;
use App\Models\Company;
use App\Models\HandoverLink;
use App\Models\Mark;
use App\Models\Photo;
use App\Models\Run;
use App\Models\StepAnswer;
use App\Stage\Commissioning\MarkLine;
use App\Stage\Commissioning\RunResult;
use App\Stage\Commissioning\ServiceWords;
use App\Stage\Settings\SheetField;
use App\Stage\Settings\SheetForm;
use Escapement\Core\Commissioning\Interval;
use Escapement\Core\Commissioning\IntervalVerdict;
use Escapement\Core\Commissioning\Procedure\Stage;
use Escapement\Core\Commissioning\Procedure\Step;
use Escapement\Core\Commissioning\Proof\PartOutcome;
use Escapement\Core\Commissioning\Proof\ProofPart;
use Escapement\Core\Commissioning\TimedRun;
use Escapement\Core\Finding\Finding;
use Escapement\Core\Record\HeadSeal;
use Escapement\Core\Record\RunRecord;
use Escapement\Core\Rehearsal\Playback;
use Escapement\Core\Rehearsal\Story;
use Escapement\Core\RelayLogic\AsBuilt\BuiltPanel;
use Escapement\Core\RelayLogic\AsBuilt\DialWords;
use Escapement\Core\RelayLogic\RelayType;
use Escapement\Core\Topology\OutageTestPointResult;
use Illuminate\Support\Carbon;

/** All that the report says, whether on screen, on paper or as JSON. */
final readonly class Report
{
    public RunResult $result;
    /** @var list<Finding> of the sheet */
    public array $settingsFindings;
    /** @var list<ProcedureLine> */
    public array $procedure;
    private Playback $outage;
    /** @var array<string, list<SheetField>> */
    public array $sheetGroups;
    /**
     * @var list<array{seq: int, kind: string, who: string, server_time: string, device_time: ?string, what: array<string,
     *     mixed>, hash: string}>
     */
    public array $entries;
    public RecordCheck $record;
    /** @var array<string, string> who made a mark or gave an answer, as it was recorded, by its id */
    private array $makers;
    /** The device that the outage was made with. */
    public OutageTestPointResult $test;
    /** The changeover panel that the run was begun with; null: no circuit was kept. */
    public ?BuiltPanel $panel;

    public function __construct(public Run $run)
    {
        $run->loadMissing([
            'marks.user', 'answers.user', 'photos', 'sheet.user', 'user', 'entries', 'user.company', 'switch.site',
            'switch.loads', 'switch.plan',
        ]);
        $this->result = new RunResult($run);
        $this->test = TestPointFacts::ofRun($run);
        $panel = $run->work['panel'] ?? null;
        $this->panel = is_array($panel) ? CircuitFacts::builtOf($panel) : null;
        $facts = new SwitchFacts($run->switch, $run->plantThen());
        $settings = $facts->settings($run->sheet->settings);
        $this->settingsFindings = $facts->check($settings, $run->sheet->habits)->findings;
        $this->sheetGroups = (new SheetForm($facts->plant))->groups();
        $numbers = [];
        foreach (Story::Outage->numbers($facts->plant->kind) as $number) {
            $numbers[$number->name] = $number->default;
        }
        $scenario = $facts->scenario(
            $settings,
            Story::Outage->events($numbers, $facts->plant),
            Story::Outage->untilMs($numbers, $facts->plant, $settings),
        );
        $this->outage = new Playback($scenario);
        $entries = [];
        foreach ($run->entries as $entry) {
            /**
             * @var array{seq: int, kind: string, who: string, server_time: string, device_time: ?string, what: array<string,
             *     mixed>} $decoded
             */
            $decoded = json_decode($entry->entry, true, 64, JSON_THROW_ON_ERROR);
            $entries[] = $decoded + ['hash' => $entry->hash];
        }
        $this->entries = $entries;
        $makers = [];
        foreach (array_filter($entries, static fn(array $entry): bool => in_array($entry['kind'], ['mark', 'answer'], true)) as $entry) {
            $makers[(string) ($entry['what']['id'] ?? '')] ??= $entry['who'];
        }
        $this->makers = $makers;
        $this->procedure = $this->procedureLines();
        $this->record = RecordCheck::of($run, $this->toArray());
    }

    /** Its control circuit at rest, drawn for where it is shown. */
    public function ladder(bool $isPrint): ?LadderDrawing
    {
        return $this->panel === null ? null : new LadderDrawing(
            $this->panel->circuit,
            new LadderLook(new Ink($isPrint), $this->run->switch->site->units === 'metric'),
        );
    }

    /** @return list<string> dials of the panel, as the run had them */
    public function dials(): array
    {
        $dials = [];
        foreach ($this->panel->circuit->devices ?? [] as $device) {
            if ($device->type === RelayType::Timer || $device->type === RelayType::PhaseRelay) {
                $dials[] = "$device->id: " . DialWords::of($device, $this->panel->times[$device->id]->dial ?? null);
            }
        }

        return $dials;
    }

    /** A plain outage on this sheet, drawn for where it is shown. */
    public function strip(bool $isPrint): TimingStrip
    {
        return new TimingStrip($this->outage, null, $isPrint, $isPrint ? 560 : 700);
    }

    /** The name as it was recorded: somebody who is called otherwise since then still made it under that name. */
    public function maker(Mark|StepAnswer $made): string
    {
        return $this->makers[$made->id] ?? $made->user->name;
    }

    /** Who began the run, by its record. */
    public function begunBy(): string
    {
        return $this->entries[0]['who'] ?? $this->run->user->name;
    }

    /** The account that signed: the name under a signature may be another person's. Null in a run that is not signed. */
    public function signedBy(): ?string
    {
        foreach ($this->entries as $entry) {
            if ($entry['kind'] === 'signed') {
                return $entry['who'] . (is_string($entry['what']['account'] ?? null) ? ", {$entry['what']['account']}" : '');
            }
        }

        return null;
    }

    /** Whose report it is; null of an imported run. */
    public function company(): ?Company
    {
        return $this->run->exists ? $this->run->user->company : null;
    }

    /** @return list<SignedPart> */
    public function partsThat(bool $areProved): array
    {
        return array_values(array_filter($this->signedParts(), static fn(SignedPart $part): bool => $part->isProved() === $areProved));
    }

    public function when(Carbon $date): string
    {
        return $date->copy()->setTimezone($this->run->switch->site->timezone)->format('j M Y, H:i');
    }

    public function linkState(HandoverLink $link): string
    {
        return match (true) {
            $link->revoked_at !== null => 'ended ' . $this->when($link->revoked_at),
            $link->isOpen() => 'open until ' . $this->when($link->expires_at),
            default => 'run out',
        };
    }

    private function makerOf(?StepAnswer $answer): ?string
    {
        return $answer === null ? null : $this->maker($answer);
    }

    /** @return list<ProcedureLine> empty where no procedure was begun */
    private function procedureLines(): array
    {
        if ($this->run->answers->isEmpty()) {
            return [];
        }
        $facts = new ProcedureFacts($this->run);
        $progress = $facts->progress($this->result->verdict->runs);
        $last = $this->run->answers->keyBy('step');

        return array_values(array_map(
            fn(Step $step): ProcedureLine => new ProcedureLine(
                $step,
                $progress->states[$step->id],
                $last->get($step->id),
                $this->makerOf($last->get($step->id)),
                array_values($this->run->photos->where('step', $step->id)->pluck('id')->all()),
            ),
            $facts->steps,
        ));
    }

    /** @return array<string, list<ProcedureLine>> by the title of their stage: figures, choices, and whatever is not plainly done */
    public function findingLines(): array
    {
        return $this->byStage(static fn(ProcedureLine $line): bool => ! $line->isPlainlyDone());
    }

    /** @return array<string, list<ProcedureLine>> by the title of their stage */
    public function doneLines(): array
    {
        return $this->byStage(static fn(ProcedureLine $line): bool => $line->isPlainlyDone());
    }

    /**
     * @param \Closure(ProcedureLine): bool $isWanted
     *
     * @return array<string, list<ProcedureLine>>
     */
    private function byStage(\Closure $isWanted): array
    {
        $stages = [];
        foreach ($this->procedure as $line) {
            if ($isWanted($line)) {
                $stages[Stage::from(explode('/', $line->step->id)[0])->title()][] = $line;
            }
        }

        return $stages;
    }

    /** What a service visit did and found. */
    public function service(): ServiceReport
    {
        return ServiceReport::of($this->run, $this->procedure);
    }

    /** @return list<SignedPart> what the run was signed with, part by part: by its record, or as it was read later from a run of before */
    public function signedParts(): array
    {
        $parts = $this->signedPartsOnTheWire()['parts'] ?? null;
        if ($parts !== null) {
            return array_values(array_filter(array_map(SignedPart::ofRecord(...), $parts)));
        }

        return $this->run->exists && $this->run->isSigned()
            ? array_values($this->run->proofs()->get()->map(SignedPart::ofProof(...))->all()) : [];
    }

    /** @return list<array{when: string, who: string, text: string, isAmendment: bool}> */
    public function notes(): array
    {
        $notes = [];
        foreach ($this->entries as $entry) {
            if ($entry['kind'] === 'note' || $entry['kind'] === 'amendment') {
                $notes[] = [
                    'when' => $this->when(Carbon::parse($entry['server_time'])),
                    'who' => $entry['who'],
                    'text' => (string) $entry['what']['text'],
                    'isAmendment' => $entry['kind'] === 'amendment',
                ];
            }
        }

        return $notes;
    }

    /**
     * What was not proved belongs into a report as much as what was.
     *
     * @return list<string>
     */
    public function notProved(): array
    {
        $runs = $this->result->verdict->runs;
        $outages = array_filter($runs, static fn(TimedRun $run): bool => ! $run->isByButton);
        $missing = match (true) {
            $runs === [] => ['Nothing was timed.'],
            $outages === [] => ['No outage was simulated: that the switch notices a lost utility is not proved.'],
            default => [],
        };
        foreach ($runs as $i => $run) {
            foreach ($run->intervals as $interval) {
                if ($interval->measuredMs === null && $interval->event !== 'start_signal') {
                    $name = RunResult::intervalName($interval->event);
                    $missing[] = (count($runs) > 1 ? $this->result->title($i) . ': ' . lcfirst($name) : $name) . ' was not timed.';
                }
            }
        }
        if ($this->result->expected->baitMs !== null && array_filter(
            $outages,
            static fn(TimedRun $run): bool => $run->baits !== [],
        ) === []) {
            $missing[] = 'The bait test was not done.';
        }
        foreach ($this->procedure as $line) {
            array_push($missing, ...array_filter([$line->words, $line->missingPictures()]));
        }
        foreach ($this->result->parts()->in(PartOutcome::Untouched) as $part) {
            if (! in_array($part->part, [ProofPart::LoadTest, ProofPart::Times, ProofPart::Bait], true)) {
                $missing[] = $part->part->label() . ': not part of this run.';
            }
        }
        $missing[] = 'No load test: the run shows that it starts and transfers, not that it carries the building for hours.';

        return array_values(array_unique($missing));
    }

    /** @return list<string> parts that this run did not look at */
    public function untouched(): array
    {
        $told = array_map(static fn(SignedPart $part): ProofPart => $part->part, $this->signedParts());

        return array_values(array_map(
            static fn($part): string => $part->part->label(),
            array_filter(
                $this->result->parts()->in(PartOutcome::Untouched),
                static fn($part): bool => ! in_array($part->part, $told, true),
            ),
        ));
    }

    /**
     * @return null|array{site: array<string, mixed>, switch: array<string, mixed>, loads: list<array<string, mixed>>,
     *     sheet: array<string, mixed>} as it was when the run was signed
     */
    private function signedHeader(): ?array
    {
        foreach ($this->entries as $entry) {
            if ($entry['kind'] === 'signed' && isset($entry['what']['header'])) {
                return $entry['what']['header'];
            }
        }

        return null;
    }

    /** @return array{parts?: list<array<string, mixed>>} as they went into the record; none in runs from before */
    private function signedPartsOnTheWire(): array
    {
        foreach ($this->entries as $entry) {
            if ($entry['kind'] === 'signed' && is_array($entry['what']['parts'] ?? null)) {
                return ['parts' => array_values($entry['what']['parts'])];
            }
        }

        return [];
    }

    /** @return array<string, mixed> by the published schema run */
    public function toArray(): array
    {
        $run = $this->run;

        return ['format' => RunRecord::FORMAT] + RunHeader::onTheWire($this->signedHeader() ?? RunHeader::of($run)) + [
            'system' => $run->plantThen(),
            'settings' => $run->sheet->settings,
            'settings_version' => $run->sheet->version,
            'reaction_ms' => $run->reaction_ms,
            'marks' => $run->marks->map(MarkLine::toArray(...))->all(),
            'procedure' => array_map(static fn(ProcedureLine $line): array => $line->toArray(), $this->procedure),
            'photos' => array_values($run->photos->map(
                static fn(Photo $photo): array => ['id' => $photo->id, 'step' => (string) $photo->step, 'sha256' => $photo->sha256],
            )->all()),
            'timing' => $this->result->verdict->toArray(),
            'signature' => $run->signed_at === null ? null : [
                'name' => $run->signed_name,
                'drawing' => $run->signed_drawing,
                'signed_at' => array_column($this->entries, 'server_time', 'kind')['signed'] ?? null,
                'verdict' => $run->verdict,
            ] + $this->signedPartsOnTheWire(),
            'record' => [
                'head' => $run->head,
                'seal' => HeadSeal::read($run->seal)?->toArray(),
                'entries' => array_map(static fn(array $entry): array => ['hash' => $entry['hash']] + $entry, $this->entries),
            ],
        ];
    }

    public function verdictOf(Interval $interval): string
    {
        return match ($interval->verdict) {
            IntervalVerdict::Pass => 'inside',
            IntervalVerdict::Missing => $interval->event === 'start_signal' ? 'not marked, optional' : 'not timed',
            default => $interval->verdict->value,
        };
    }

    /** What is to be said of a mark beside its time. */
    public function remarks(Mark $mark): string
    {
        return implode(' ', array_filter([
            $mark->is_undone ? 'struck out.' : '',
            $mark->late_reason ? "late: $mark->late_reason." : '',
            $mark->flag ?? '',
            $mark->note ?? '',
        ]));
    }

    public function verdict(): string
    {
        return $this->run->isService()
            ? mb_strtolower(ServiceWords::VERDICTS[$this->run->verdict ?? 'incomplete'])
            : ['pass' => 'passed', 'fail' => 'did not pass', 'incomplete' => 'incomplete'][$this->run->verdict ?? 'incomplete'];
    }
}
