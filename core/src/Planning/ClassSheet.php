<?php

declare(strict_types=1);

namespace Escapement\Core\Planning;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Register;
use Escapement\Core\Finding\Severity;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Survey\Question;
use Escapement\Core\Survey\Questionnaire;

/**
 * What a class of system, a service and a place must have, fact by fact: open, declared by somebody, or shown by a picture.
 * Rule: docs/rules.md#topology, docs/rules.md#survey.
 */
final readonly class ClassSheet
{
    /**
     * Question => the answers that stand against it, and the finding that says why it is asked. No answer named: whenever the
     * finding stands; null: never, the figure is judged at its place on the one-line.
     */
    private const GROUPS = [
        'What the class asks' => [
            'system_class' => ['', 'class-facts-open'],
            'listed' => ['no', 'not-listed-for-class'],
            'electrically_held' => ['yes', 'electrically-held-not-allowed'],
            'start_circuit_supervised' => ['no', 'start-circuit-unsupervised'],
            'selective_coordination' => ['no', 'not-selectively-coordinated'],
            'only_class_loads' => ['no', 'class-loads-mixed'],
            'wiring_separate' => ['no', 'wiring-not-separate'],
            'temporary_source_point' => ['no', 'no-temporary-source-point'],
        ],
        'Short circuit' => [
            'service_aic_ka' => [null, 'topology/interrupting-rating-exceeded'],
            'panel_aic_ka' => [null, 'topology/interrupting-rating-exceeded'],
            'series_ka' => [null, 'topology/series-rating-used'],
            'withstand_basis' => [null, 'withstand-basis-unknown'],
            'withstand_device_ok' => ['no', 'withstand-device-wrong'],
            'rating_marked' => ['no', 'switch-marking-missing'],
            'gfp' => ['', 'gfp-not-stated'],
        ],
        'Service and source' => [
            'dwelling' => ['', 'service-facts-open'],
            'emergency_disconnect' => ['no', 'emergency-disconnect-missing'],
            'emergency_disconnect_marked' => ['no', 'emergency-disconnect-unmarked'],
            'surge_device' => ['no', 'surge-device-missing'],
            'intersystem_bond' => ['no', 'intersystem-bond-missing'],
            'source_sign' => ['no', 'source-sign-missing'],
            'grounding_sign' => ['no', 'grounding-sign-missing'],
            'clearance' => ['no', 'working-space-short'],
            'inspection' => ['yes', 'inspection-release-open'],
            'emergency_stop' => ['no', 'generator-emergency-stop-missing'],
            'utility_agreement' => ['no', 'closed-transition-no-agreement'],
        ],
        'Place' => [
            'co_alarms' => ['no old', 'no-co-alarm'],
            'co_places' => ['some', 'co-alarms-not-everywhere'],
            'opening_m' => ['', 'too-close-to-opening'],
            'exhaust_away' => ['no', 'exhaust-toward-opening'],
            'wall_m' => ['', 'too-close-to-combustible-wall'],
            'vents_clear' => ['no', 'gas-vents-near'],
            'ventilated' => ['no', 'bay-not-vented'],
            'flood' => ['yes', 'water-reaches-generator'],
            'snow' => ['yes', 'snow-closes-openings'],
        ],
    ];

    private Questionnaire $questionnaire;
    /** @var array<string, mixed> */
    private array $answers;

    /**
     * @param array<string, mixed> $survey answers by question
     * @param list<string>         $shown  questions that a picture answers
     * @param list<Finding>        $raised that stand against the installation now
     */
    public function __construct(InstallationKind $kind, array $survey, private array $shown = [], private array $raised = [])
    {
        $this->questionnaire = new Questionnaire($kind->value);
        $this->answers = $this->questionnaire->counting($survey);
    }

    /** @return array<string, non-empty-list<AskedFact>> by group; a group that asks nothing of this type is left out */
    public function groups(): array
    {
        $groups = [];
        foreach (self::GROUPS as $title => $facts) {
            foreach ($facts as $key => [$against, $finding]) {
                $question = $this->questionnaire->questions[$key] ?? null;
                if ($question !== null && ! $question->isMoot($this->answers)) {
                    $groups[$title][] = $this->fact($question, $against, $finding);
                }
            }
        }

        return $groups;
    }

    /** @return array<value-of<FactState>, int> how many facts are in each state */
    public function counts(): array
    {
        $counts = array_fill_keys(array_column(FactState::cases(), 'value'), 0);
        foreach (array_merge(...array_values($this->groups())) as $fact) {
            $counts[$fact->state->value]++;
        }

        return $counts;
    }

    private function fact(Question $question, ?string $against, string $finding): AskedFact
    {
        $entry = Register::entry($finding);
        $raised = $this->raised($entry->id);
        $kept = $this->answers[$question->key] ?? null;
        $answer = is_int($kept) || is_float($kept) ? (float) $kept : (is_string($kept) && $kept !== '' ? $kept : null);
        $isAnswered = $answer !== null;

        return new AskedFact(
            $question,
            match (true) {
                ! $isAnswered => FactState::Open,
                in_array($question->key, $this->shown, true) => FactState::Shown,
                default => FactState::Declared,
            },
            $answer,
            $this->isAgainst($answer, $against, $raised) ? $raised ?? $entry->severities[0] : null,
            $entry,
        );
    }

    private function isAgainst(null|float|string $answer, ?string $against, ?Severity $raised): bool
    {
        return $answer !== null && $against !== null
            && ($against === '' ? $raised !== null : in_array($answer, explode(' ', $against), true));
    }

    private function raised(string $id): ?Severity
    {
        foreach ($this->raised as $finding) {
            if ($finding->id === $id) {
                return $finding->severity;
            }
        }

        return null;
    }
}
