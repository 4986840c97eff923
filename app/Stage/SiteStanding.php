<?php

declare(strict_types=1);

namespace App\Stage;

use App\Bridge\ProofFromRuns;
use App\Bridge\SwitchFacts;
use App\Models\Site;
use App\Models\TransferSwitch;
use Escapement\Core\Commissioning\Proof\SiteNeed;
use Escapement\Core\Commissioning\Proof\StandingResult;
use Escapement\Core\Commissioning\Proof\StandingState;
use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Severity;
use Escapement\Core\Settings\SheetWords;
use Escapement\Core\SettingsCheck\SettingsCheckResult;
use Escapement\Core\Survey\Decision;
use Escapement\Core\Survey\Question;
use Escapement\Core\Survey\Questionnaire;
use Escapement\Core\Survey\Subject;
use Illuminate\Support\Carbon;

/**
 * Where a switch of a site stands, stage by stage; what the train, the bar and the board say of it.
 */
final class SiteStanding
{
    /** What of a switch it reads, to be loaded before. */
    public const NEEDS = [
        'site.switches', 'plan.user', 'loads', 'sheet.user', 'run.sheet', 'run.user', 'proofs', 'loadTest', 'circuit', 'closedLoadTests',
        'upkeep',
    ];

    /** Address, owner, service, rating, poles, disconnect, fuel, generator, loads. */
    private const PLATE_FACTS = 9;

    public readonly ?SettingsCheckResult $check;
    /** Null without a switch. */
    public readonly ?StandingResult $proof;
    private readonly Questionnaire $questions;

    public function __construct(public readonly Site $site, public readonly ?TransferSwitch $switch)
    {
        $this->questions = new Questionnaire($site->installation->value);
        $switch?->setRelation('site', $site); // the reader of the switches of a site has it already
        $sheet = $switch?->sheet;
        $this->proof = $switch === null ? null : ProofFromRuns::standing($switch);
        $facts = $switch === null ? null : new SwitchFacts($switch);
        $this->check = $sheet === null || $facts === null ? null : $facts->check($facts->settings($sheet->settings), $sheet->habits);
    }

    public function need(): SiteNeed
    {
        $switch = $this->switch;

        return SiteNeed::first(
            $switch?->ownerReports->first() !== null,
            $switch->circuit->stops ?? 0,
            count($this->stops()),
            $switch?->run?->isSigned(),
            $switch?->sheet !== null,
            $this->proof?->state,
            ($this->proof?->again() ?? '') !== '',
        );
    }

    /** @return list<array{label: string, for: Decision, subject: Subject}> what later stages need and nobody has found out yet */
    public function missing(): array
    {
        $switch = $this->switch;
        $hasGenerator = $this->site->installation->hasGenerator();
        $known = [
            [$this->site->address !== null, 'Address', Decision::Day, Subject::Service],
            [$this->site->owner !== null, 'Owner or contact', Decision::Day, Subject::Service],
            [
                $this->site->service_a !== null, $this->site->installation->isMobile() ? 'Shore supply' : 'Service size',
                Decision::OneLine, Subject::Service,
            ],
            [$switch?->rating_a !== null, 'Rating of the switch', Decision::OneLine, Subject::Source],
            [$switch?->test_device !== null, 'Outage test point', Decision::Commission, Subject::Source],
            [! $hasGenerator || $switch?->fuel !== null, 'Fuel', Decision::Carry, Subject::Source],
            [
                ! $hasGenerator || $switch?->fuel === null || isset($switch->rated_kw[$switch->fuel->value]),
                'Rating of the source', Decision::Carry, Subject::Source,
            ],
            [$switch !== null && $switch->loads->isNotEmpty(), 'Loads', Decision::Carry, Subject::Loads],
        ];
        $missing = [];
        foreach ($known as [$isKnown, $label, $for, $subject]) {
            if (! $isKnown) {
                $missing[] = ['label' => $label, 'for' => $for, 'subject' => $subject];
            }
        }
        foreach ($this->questions->missing(($switch->survey ?? []) + ['fuel' => $switch?->fuel?->value]) as $question) {
            $missing[] = [
                'label' => $question->label,
                'for' => $question->neededFor ?? Decision::Commission,
                'subject' => $question->subject,
            ];
        }
        usort(
            $missing,
            static fn(array $a, array $b): int =>
                array_search($a['for'], Decision::cases(), true) <=> array_search($b['for'], Decision::cases(), true),
        );

        return $missing;
    }

    /** @return list<StageRow> */
    public function stages(): array
    {
        $switch = $this->switch;
        $missing = count($this->missing());
        $asked = self::PLATE_FACTS + count(array_filter(
            $this->questions->questions,
            static fn(Question $question): bool => $question->neededFor !== null,
        ));
        $survey = new StageRow(
            'survey',
            'Survey',
            $missing === 0 ? 'all there' : "$missing to find out",
            $missing === 0 ? 'proven' : 'part',
            1 - $missing / $asked,
            route('survey', ['site' => $this->site, 'switch' => $switch?->id]),
        );
        if ($switch === null) {
            return [$survey];
        }

        return [
            $survey, $this->planRow($switch), $this->settingsRow($switch), $this->rehearsalRow($switch), $this->commissionRow($switch),
            ...($this->site->installation->hasGenerator() ? [$this->loadTestRow($switch)] : []),
            $this->reportRow($switch),
            new StageRow('logbook', 'Logbook', 'what happened', 'open', 0, route('logbook', $switch)),
            new StageRow('schedule', 'Schedule', 'dates, due work', 'open', 0, route('schedule', $switch)),
        ];
    }

    private function planRow(TransferSwitch $switch): StageRow
    {
        $stops = $switch->circuit->stops ?? 0;
        if ($stops > 0) {
            return new StageRow('plan', 'Plan', "circuit: $stops stop" . ($stops > 1 ? 's' : ''), 'stop', .5, route('plan', $switch));
        }
        $isOpen = $switch->loads->isEmpty();

        return new StageRow(
            'plan',
            'Plan',
            $isOpen ? 'waits for loads' : 'one-line, bonds',
            $isOpen ? 'open' : 'part',
            $isOpen ? 0 : .5,
            route('plan', $switch),
        );
    }

    private function loadTestRow(TransferSwitch $switch): StageRow
    {
        $newest = $switch->loadTest;
        $standing = ProofFromRuns::counting($switch)->standing();
        $test = $newest?->isClosed() === true && $standing !== null ? $switch->closedLoadTests->firstWhere('id', $standing->id) : $newest;
        $on = $test?->closed_at === null ? '' : ' ' . $this->shortDate($test->closed_at);
        [$words, $state, $fraction] = match (true) {
            $test === null => ['none yet', 'open', 0.0],
            ! $test->isClosed() => ['not closed yet', 'part', .3],
            $test->verdict === 'pass' => ["passed$on", 'proven', 1.0],
            $test->verdict === 'fail' => ["failed$on", 'stop', 1.0],
            default => ["not proven$on", 'part', .5],
        };

        return new StageRow('load-test', 'Load test', $words, $state, $fraction, route('load-tests', $switch));
    }

    /** @return list<Finding> of the settings, worst first */
    public function stops(): array
    {
        return array_values(array_filter(
            $this->check->findings ?? [],
            static fn(Finding $finding): bool => $finding->severity === Severity::Stop,
        ));
    }

    /** @return list<string> what of the survey, the plan and the sheet is no longer as it was when a part was proved */
    public function changes(): array
    {
        return $this->proof?->changes() ?? [];
    }

    /** The standing in a sentence, always with what is missing. */
    public function proofSentence(): string
    {
        return $this->proof?->sentence(fn(string $at): string => $this->date(Carbon::parse($at))) ?? '';
    }

    /** In every part that its type is asked for. */
    public function isProven(): bool
    {
        return $this->proof?->state === StandingState::Proven;
    }

    /** When anything of it was proved last; null while nothing is. */
    public function provenOn(): ?string
    {
        $latest = $this->proof?->latest();

        return $latest === null ? null : $this->date(Carbon::parse($latest->at));
    }

    public function date(Carbon $date): string
    {
        return $date->copy()->setTimezone($this->site->timezone)->format('j M Y');
    }

    /** For the train, where there is little room: the year only where it is another one. */
    private function shortDate(Carbon $date): string
    {
        $local = $date->copy()->setTimezone($this->site->timezone);

        return $local->format($local->year === Carbon::now()->year ? 'j M' : 'M Y');
    }

    private function settingsRow(TransferSwitch $switch): StageRow
    {
        $stops = count($this->stops());

        return new StageRow('settings', 'Settings', match (true) {
            $switch->sheet === null => 'not yet',
            $stops > 0 => "$stops stop" . ($stops > 1 ? 's' : ''),
            default => "v{$switch->sheet->version}, {$switch->sheet->standing->label()}",
        }, $stops > 0 ? 'stop' : ($switch->sheet === null ? 'open' : 'proven'), $switch->sheet === null ? 0 : 1, route('sheet', $switch));
    }

    private function rehearsalRow(TransferSwitch $switch): StageRow
    {
        $darkMs = $this->check?->expected->window('dark_ms')?->nominalMs;

        return new StageRow('rehearsal', 'Rehearsal', match (true) {
            $switch->sheet === null => 'waits for Settings',
            $darkMs !== null => 'dark ' . SheetWords::seconds($darkMs),
            default => 'six stories',
        }, $switch->sheet === null ? 'open' : 'part', $switch
            ->sheet === null ? 0 : .5, $switch
            ->sheet === null ? null : route('rehearsal', $switch));
    }

    private function commissionRow(TransferSwitch $switch): StageRow
    {
        $url = route('runs', $switch);
        if ($switch->sheet === null) {
            return new StageRow('commission', 'Commission', 'waits for Settings', 'open', 0, null);
        }
        $proof = $this->proof ?? throw new \LogicException('A switch has a standing.');
        $on = $proof->latest() === null ? '' : ' ' . $this->shortDate(Carbon::parse($proof->latest()->at));
        $isRunning = $switch->run !== null && ! $switch->run->isSigned();

        return match ($proof->state) {
            StandingState::Failed => new StageRow('commission', 'Commission', 'failed', 'stop', 1, $url),
            StandingState::Never => new StageRow(
                'commission',
                'Commission',
                $isRunning ? 'run not signed' : 'not yet',
                $isRunning ? 'part' : 'open',
                $isRunning ? .3 : 0,
                $url,
            ),
            StandingState::Stale => new StageRow('commission', 'Commission', 'changed since', 'part', .5, $url),
            StandingState::Proven => new StageRow('commission', 'Commission', "proven$on", 'proven', 1, $url),
            StandingState::TimesOnly => new StageRow('commission', 'Commission', "times proven$on", 'part', .6, $url),
            StandingState::Partly => new StageRow('commission', 'Commission', "partly proven$on", 'part', .5, $url),
        };
    }

    private function reportRow(TransferSwitch $switch): StageRow
    {
        $run = $switch->run;

        return $run?->signed_at === null
            ? new StageRow('report', 'Report', 'waits for a run', 'open', 0, null)
            : new StageRow('report', 'Report', 'signed ' . $this->shortDate($run->signed_at), 'proven', 1, route('report', $run));
    }
}
