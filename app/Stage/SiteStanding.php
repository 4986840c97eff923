<?php

declare(strict_types=1);

namespace App\Stage;

use App\Bridge\ProofGrounds;
use App\Bridge\SwitchFacts;
use App\Models\Run;
use App\Models\Site;
use App\Models\TransferSwitch;
use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Severity;
use Escapement\Core\Settings\Check\SettingsCheckResult;
use Escapement\Core\Settings\SheetWords;
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
    public const NEEDS = ['site.switches', 'plan.user', 'loads', 'sheet.user', 'run.sheet', 'run.user', 'proof.sheet', 'proof.user'];

    /** Address, owner, service, rating, poles, disconnect, fuel, generator, loads. */
    private const PLATE_FACTS = 9;

    public readonly ?SettingsCheckResult $check;
    private readonly Questionnaire $questions;

    public function __construct(public readonly Site $site, public readonly ?TransferSwitch $switch)
    {
        $this->questions = new Questionnaire($site->installation->value);
        $switch?->setRelation('site', $site); // whoever read the switches of a site has it already
        $sheet = $switch?->sheet;
        $facts = $switch === null ? null : new SwitchFacts($switch);
        $this->check = $sheet === null || $facts === null ? null : $facts->check($facts->settings($sheet->settings), $sheet->habits);
    }

    /** @return list<array{label: string, for: Decision, subject: Subject}> what later stages need and nobody has found out yet */
    public function missing(): array
    {
        $switch = $this->switch;
        $hasGenerator = $this->site->installation->hasGenerator();
        $known = [
            [$this->site->address !== null, 'Address', Decision::Day, Subject::Service],
            [$this->site->owner !== null, 'Owner or contact', Decision::Day, Subject::Service],
            [$this->site->service_a !== null, $this->site->installation->isMobile() ? 'Shore supply' : 'Service size', Decision::OneLine, Subject::Service],
            [$switch?->rating_a !== null, 'Rating of the switch', Decision::OneLine, Subject::Source],
            [$switch?->poles !== null, 'Poles', Decision::OneLine, Subject::Source],
            [$switch?->test_device !== null, 'Outage test point', Decision::Commission, Subject::Source],
            [! $hasGenerator || $switch?->fuel !== null, 'Fuel', Decision::Carry, Subject::Source],
            [! $hasGenerator || $switch !== null && $switch->fuel !== null && isset($switch->rated_kw[$switch->fuel->value]), 'Rating of the source', Decision::Carry, Subject::Source],
            [$switch !== null && $switch->loads->isNotEmpty(), 'Loads', Decision::Carry, Subject::Loads],
        ];
        $missing = [];
        foreach ($known as [$isKnown, $label, $for, $subject]) {
            if (! $isKnown) {
                $missing[] = ['label' => $label, 'for' => $for, 'subject' => $subject];
            }
        }
        foreach ($this->questions->missing(($switch->survey ?? []) + ['fuel' => $switch?->fuel?->value]) as $question) {
            $missing[] = ['label' => $question->label, 'for' => $question->neededFor ?? Decision::Commission, 'subject' => $question->subject];
        }
        usort($missing, static fn(array $a, array $b): int => array_search($a['for'], Decision::cases(), true) <=> array_search($b['for'], Decision::cases(), true));

        return $missing;
    }

    /** @return list<StageRow> */
    public function stages(): array
    {
        $switch = $this->switch;
        $missing = count($this->missing());
        $asked = self::PLATE_FACTS + count(array_filter($this->questions->questions, static fn(Question $question): bool => $question->neededFor !== null));
        $survey = new StageRow('survey', 'Survey', $missing === 0 ? 'all there' : "$missing to find out", $missing === 0 ? 'proven' : 'part', 1 - $missing / $asked, route('survey', ['site' => $this->site, 'switch' => $switch?->id]));
        if ($switch === null) {
            return [$survey];
        }

        $plan = new StageRow('plan', 'Plan', $switch->loads->isEmpty() ? 'waits for loads' : 'one-line, bonds', $switch->loads->isEmpty() ? 'open' : 'part', $switch->loads->isEmpty() ? 0 : .5, route('plan', $switch));

        return [$survey, $plan, $this->settingsRow($switch), $this->rehearsalRow($switch), $this->commissionRow($switch), $this->reportRow($switch)];
    }

    /** @return list<Finding> of the settings, worst first */
    public function stops(): array
    {
        return array_values(array_filter($this->check->findings ?? [], static fn(Finding $finding): bool => $finding->severity === Severity::Stop));
    }

    /** The newest run that was signed as passed: nothing else is proof. */
    public function proof(): ?Run
    {
        return $this->switch?->proof;
    }

    public function hasNewerSheet(): bool
    {
        $proof = $this->proof();

        return $proof !== null && $this->switch?->sheet !== null && $this->switch->sheet->version > $proof->sheet->version;
    }

    /** @return list<string> what of the survey and the plan is no longer as it was when the switch was proven */
    public function changes(): array
    {
        $proof = $this->proof();

        return $proof === null || $this->switch === null ? [] : ProofGrounds::changedSince($proof, $this->switch);
    }

    public function isChangedSinceProven(): bool
    {
        $proof = $this->proof();

        return $proof !== null && ($this->hasNewerSheet() || $this->changes() !== []);
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
        }, $switch->sheet === null ? 'open' : 'part', $switch->sheet === null ? 0 : .5, $switch->sheet === null ? null : route('rehearsal', $switch));
    }

    private function commissionRow(TransferSwitch $switch): StageRow
    {
        $run = $switch->run;
        $url = route('runs', $switch);

        return match (true) {
            $switch->sheet === null => new StageRow('commission', 'Commission', 'waits for Settings', 'open', 0, null),
            $run === null => new StageRow('commission', 'Commission', 'not yet', 'open', 0, $url),
            $run->verdict === 'pass' && $this->isChangedSinceProven() => new StageRow('commission', 'Commission', 'changed since', 'part', .5, $url),
            $run->verdict === 'pass' && $run->signed_at !== null => new StageRow('commission', 'Commission', 'proven ' . $this->shortDate($run->signed_at), 'proven', 1, $url),
            $run->verdict === 'fail' => new StageRow('commission', 'Commission', 'run did not pass', 'stop', 1, $url),
            $run->signed_at !== null => new StageRow('commission', 'Commission', 'run incomplete', 'part', .5, $url),
            default => new StageRow('commission', 'Commission', 'run not signed', 'part', .3, $url),
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
