<?php

declare(strict_types=1);

namespace Escapement\Core\Planning;

use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Survey\Questionnaire;
use Escapement\Core\Topology\Element;
use Escapement\Core\Topology\FaultRatings;
use Escapement\Core\Topology\SiteFactRules;
use Escapement\Core\Topology\SwitchFacts;

/**
 * What no drawing shows and somebody on site has declared: class, markings, ratings, signs. Yes, no, or not said.
 * Rule: docs/rules.md#topology.
 */
final readonly class Declared
{
    /** Facts that the survey asks under another name. */
    private const ASKED_AS = ['working_space' => 'clearance'];

    /** @var array<string, mixed> */
    private array $answers;

    /** @param array<string, mixed> $survey answers by question, moot ones too */
    public function __construct(private InstallationKind $kind, array $survey)
    {
        $this->answers = (new Questionnaire($kind->value))->counting($survey);
    }

    /** Null: nobody has said. */
    public function fact(string $name): ?bool
    {
        if ($name === 'inspection_release') { // where none is required, nothing waits for one
            return ['yes' => false, 'released' => true, 'no' => true][$this->word('inspection') ?? ''] ?? null;
        }

        return ['yes' => true, 'no' => false][$this->word(self::ASKED_AS[$name] ?? $name) ?? ''] ?? null;
    }

    public function word(string $question): ?string
    {
        $answer = $this->answers[$question] ?? null;

        return is_string($answer) ? $answer : null;
    }

    public function figure(string $question): ?float
    {
        $answer = $this->answers[$question] ?? null;

        return is_numeric($answer) ? (float) $answer : null;
    }

    /** @return 'emergency'|'legally_required'|'none'|'optional' what is not said is judged as none, and shown as open */
    public function systemClass(): string
    {
        $class = $this->word('system_class');

        return in_array($class, ['optional', 'legally_required', 'emergency'], true) ? $class : 'none';
    }

    /** Of the transfer switch. */
    public function ofSwitch(): SwitchFacts
    {
        $basis = $this->word('withstand_basis');
        $transition = $this->word('transition');

        return new SwitchFacts(
            in_array($basis, ['any_breaker', 'listed_device', 'fuse'], true) ? $basis : null,
            $this->fact('withstand_device_ok'),
            $this->fact('rating_marked'),
            in_array($transition, ['delayed', 'in_phase', 'closed'], true) ? $transition : 'open',
            $this->fact('utility_agreement'),
            $this->systemClass(),
            array_combine(SwitchFacts::CLASS_FACTS, array_map($this->fact(...), SwitchFacts::CLASS_FACTS)),
        );
    }

    /** What an element can break, in kA. */
    public function ratings(Element $element): FaultRatings
    {
        $serviceKa = $this->figure('service_aic_ka');
        $panelKa = $this->figure('panel_aic_ka');

        return match (true) {
            $element->type === 'switch' => new FaultRatings(mainAicKa: $element->mainA === null ? null : $serviceKa),
            $element->type === 'panel' => new FaultRatings(
                $panelKa,
                $element->mainA === null ? null : ($element->isService ? $serviceKa : $panelKa),
                $panelKa === null ? null : $this->figure('series_ka'),
            ),
            $element->type === 'disconnect' && $element->isService => new FaultRatings($serviceKa),
            default => new FaultRatings(),
        };
    }

    /** Ground-fault protection of the service disconnect, where this element is it. */
    public function groundFaultProtection(Element $element): ?bool
    {
        return ($element->type === 'switch' ? $element->mainA !== null : $element->isService) ? $this->fact('gfp') : null;
    }

    /** @return null|array<string, ?bool> what a service brings, by the names of SiteFactRules; a vehicle has none */
    public function ofService(): ?array
    {
        return $this->kind->isMobile() ? null : array_combine(SiteFactRules::FACTS, array_map($this->fact(...), SiteFactRules::FACTS));
    }
}
