<?php

declare(strict_types=1);

namespace Escapement\Core\Planning;

use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Survey\Questionnaire;
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

    /** @return array<string, mixed> of the transfer switch, as `topology` takes them */
    public function ofSwitch(bool $hasMain): array
    {
        return self::said([
            'withstand_basis' => $this->word('withstand_basis'), 'withstand_device_ok' => $this->fact('withstand_device_ok'),
            'rating_marked' => $this->fact('rating_marked'), 'transition' => $this->word('transition'),
            'utility_agreement' => $this->fact('utility_agreement'), 'system_class' => $this->systemClass(),
            'main_aic_ka' => $hasMain ? $this->figure('service_aic_ka') : null, 'gfp' => $hasMain ? $this->fact('gfp') : null,
        ] + array_combine(SwitchFacts::CLASS_FACTS, array_map($this->fact(...), SwitchFacts::CLASS_FACTS)));
    }

    /**
     * @param bool $hasMain   it has a main
     * @param bool $isService that main is the service disconnect
     *
     * @return array<string, mixed> of a panel, as `topology` takes them
     */
    public function ofPanel(bool $hasMain, bool $isService): array
    {
        $aicKa = $this->figure('panel_aic_ka');

        return self::said([
            'aic_ka' => $aicKa, 'series_ka' => $aicKa === null ? null : $this->figure('series_ka'),
            'main_aic_ka' => $hasMain ? ($isService ? $this->figure('service_aic_ka') : $aicKa) : null,
            'gfp' => $isService ? $this->fact('gfp') : null,
        ]);
    }

    /** @return array<string, mixed> of a service disconnect, as `topology` takes them */
    public function ofServiceDisconnect(): array
    {
        return self::said(['aic_ka' => $this->figure('service_aic_ka'), 'gfp' => $this->fact('gfp')]);
    }

    /** @return array<string, mixed> of the generator, as `topology` takes them */
    public function ofGenerator(): array
    {
        return self::said(['emergency_stop' => $this->fact('emergency_stop')]);
    }

    /** @return null|array<string, ?bool> what a service brings, as `topology` takes it; a vehicle has none */
    public function ofService(): ?array
    {
        return $this->kind->isMobile() ? null : array_combine(SiteFactRules::FACTS, array_map($this->fact(...), SiteFactRules::FACTS));
    }

    /**
     * @param array<string, mixed> $fields
     *
     * @return array<string, mixed>
     */
    private static function said(array $fields): array
    {
        return array_filter($fields, static fn(mixed $value): bool => $value !== null);
    }
}
