<?php

declare(strict_types=1);

namespace App\Stage\Survey;

use App\Bridge\PlanFacts;
use App\Bridge\SurveyFacts;
use App\Bridge\TestPointFacts;
use App\Bridge\Units;
use App\Models\Site;
use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Escapement\Core\Finding\Finding;
use Escapement\Core\Survey\Question;
use Escapement\Core\Survey\Subject;
use Escapement\Core\Topology\OutageTestPointResult;
use Illuminate\Support\Collection;

/** One page of the survey, and what is still missing on all of them. */
final readonly class SurveyPage
{
    public Units $units;
    public SiteStanding $standing;
    public ?SurveyFacts $facts;
    public ?SurveyForm $form;

    public function __construct(public Site $site, public ?TransferSwitch $switch, public Subject $on = Subject::Service)
    {
        $this->units = new Units($site->units);
        $this->standing = new SiteStanding($site, $switch);
        $this->form = $switch === null ? null : new SurveyForm($site, $switch, $on);
        $this->facts = $switch === null ? null : new SurveyFacts($switch);
    }

    /** The page that comes after one, round and round. */
    public static function after(string $subject): string
    {
        $all = array_column(Subject::cases(), 'value');

        return $all[((int) array_search($subject, $all, true) + 1) % count($all)];
    }

    /** @return list<Question> */
    public function questions(): array
    {
        return $this->facts?->questionnaire->of($this->on) ?? [];
    }

    /** What was typed last, else what is kept, in the units of the site. */
    public function answer(Question $question): string
    {
        $value = old("answers.$question->key", $this->form?->answer($question));

        return is_scalar($value) ? (string) $value : '';
    }

    /** Another answer, as typed or kept, leaves nothing to ask here. */
    public function isMoot(Question $question): bool
    {
        $typed = array_filter((array) old('answers', []), static fn(mixed $value): bool => is_string($value) && $value !== '');

        return $question->isMoot($typed + ($this->switch->survey ?? []));
    }

    public function unit(Question $question): ?string
    {
        return $this->units->unit($question->unit);
    }

    public function range(Question $question): string
    {
        [$min, $max] = $this->form?->range($question) ?? [$question->min, $question->max];

        return "$min to $max";
    }

    /** @return array<string, list<array{label: string, on: string}>> what is missing, by what it is needed for */
    public function missing(): array
    {
        $missing = [];
        foreach ($this->standing->missing() as $one) {
            $missing[$one['for']->label()][] = ['label' => $one['label'], 'on' => $one['subject']->value];
        }

        return $missing;
    }

    /** @return list<Question> what the plan takes as usual until somebody looks */
    public function assumed(): array
    {
        return $this->facts?->questionnaire->assumed(($this->switch->survey ?? []) + ['fuel' => $this->switch?->fuel?->value]) ?? [];
    }

    public function missingOn(Subject $subject): int
    {
        return count(array_filter($this->standing->missing(), static fn(array $one): bool => $one['subject'] === $subject));
    }

    /** @return list<Finding> */
    public function findings(): array
    {
        return $this->facts?->answer->findings ?? [];
    }

    /** @return array<string, string> devices of the one-line that an outage could be simulated with */
    public function testDevices(): array
    {
        return $this->plan()?->plan->devices() ?? [];
    }

    public function test(): OutageTestPointResult
    {
        $switch = $this->switch ?? throw new \LogicException('Asked of a site without a switch.');

        return TestPointFacts::ofSwitch($switch, $this->plan()?->plan);
    }

    private function plan(): ?PlanFacts
    {
        return $this->switch === null ? null : new PlanFacts($this->switch, $this->switch->plan);
    }

    public function altitude(): string
    {
        return $this->form?->altitude() ?? '';
    }

    public function runningKw(): float
    {
        return round((float) $this->switch?->loads->sum(static fn($load): float => (float) $load->kw), 3);
    }

    /** @return Collection<int, array<string, mixed>> */
    public function library(): Collection
    {
        return TypicalLoads::ofCompany();
    }
}
