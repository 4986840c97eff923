<?php

declare(strict_types=1);

namespace Escapement\Core\Survey;

use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Severity;
use Escapement\Core\Finding\Working;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Power\Fuel\GasPressure;
use Escapement\Core\Settings\Fuel;

/** What the answers of a survey mean for the work, and what is still to be found out. Rule: docs/rules.md#survey. */
final readonly class SurveyCheck
{
    /** Usual least distances of exhaust from openings and combustible walls; the instructions and the code in force rule. */
    private const OPENING_M = 1.5;
    private const PORTABLE_OPENING_M = 6.0;
    private const WALL_M = 1.5;

    public function answer(SurveyInput $in): CalculationResult
    {
        $questionnaire = new Questionnaire($in->kind->value);
        $findings = new Findings();
        $working = new Working();
        $counting = $questionnaire->counting($in->answers) + array_intersect_key($in->answers, ['fuel' => true]);
        $this->exhaust($in->kind, $counting, $findings, $working);
        $this->place($counting, $findings);
        $this->source($counting, $findings, $working);
        $this->service($counting, $findings);
        $blinking = array_column(array_filter($in->loads, static fn(SurveyLoad $load): bool => $load->blinks()), 'id');
        if ($blinking !== []) {
            $findings->raise('sensitive-without-ups', ['names' => implode(', ', $blinking)], $blinking);
        }
        if ($in->beforePhotos === 0) {
            $findings->raise('no-before-photo');
        }
        $plates = array_diff_key(NameplatePhoto::of($in->kind), array_flip($in->shown));
        if ($in->beforePhotos > 0 && $plates !== []) {
            $findings->raise('nameplate-not-pictured', ['which' => implode(', ', $plates)]);
        }
        $missing = array_map(
            static fn(Question $question): array => [
                'key' => $question->key,
                'subject' => $question->subject->value,
                'for' => $question->neededFor?->value,
            ],
            $questionnaire->missing($in->answers),
        );

        return new CalculationResult(
            ['missing' => $missing, 'asked' => count($questionnaire->questions)],
            $findings->all(),
            $working->lines,
        );
    }

    /** @param array<string, string|float> $a */
    private function exhaust(InstallationKind $kind, array $a, Findings $findings, Working $working): void
    {
        if (($a['fuel'] ?? '') === Fuel::Battery->value) {
            return;
        }
        if (isset($a['co_alarms']) && $a['co_alarms'] !== 'yes') {
            $isNone = $a['co_alarms'] === 'no';
            $alarms = $isNone ? 'There is no carbon monoxide alarm inside' : 'The carbon monoxide alarms are not tested';
            $findings->raise('no-co-alarm', ['alarms' => $alarms], severity: $isNone ? Severity::Stop : Severity::Warn);
        }
        $this->raiseWhere($a, [
            ['co_places', 'some', 'co-alarms-not-everywhere'],
            ['exhaust_away', 'no', 'exhaust-toward-opening'],
        ], $findings);
        $this->openings($kind, $a, $findings, $working);
        $wall = $a['wall_m'] ?? null;
        if (is_float($wall) && $wall < self::WALL_M && ($a['wall_listed'] ?? '') !== 'yes') {
            $figures = ['distance' => $this->both($wall), 'least' => $this->both(self::WALL_M)];
            $findings->raise('too-close-to-combustible-wall', $figures);
        }
    }

    /** @param array<string, string|float> $a */
    private function openings(InstallationKind $kind, array $a, Findings $findings, Working $working): void
    {
        $asked = $a['opening_least_m'] ?? null;
        $usual = $kind->isPortable() ? self::PORTABLE_OPENING_M : self::OPENING_M;
        $least = is_float($asked) ? $asked : $usual;
        if ($least < $usual) {
            $findings->raise('opening-distance-short', ['least' => $this->both($least), 'usual' => $this->both($usual)]);
        }
        $distance = $a['opening_m'] ?? null;
        if (is_float($distance)) {
            $words = is_float($asked) ? 'of its instructions' : ($kind->isPortable() ? 'for a portable one' : 'for a permanent one');
            $working->add(
                'Generator to the nearest opening',
                sprintf('%.2f m against %.2f m %s', $distance, $least, $words),
                $distance - $least,
                'm',
            );
            if ($distance < $least) {
                $findings->raise('too-close-to-opening', ['distance' => $this->both($distance), 'least' => $this->both($least)]);
            }
        }
    }

    /** @param array<string, string|float> $a */
    private function place(array $a, Findings $findings): void
    {
        $this->raiseWhere($a, [
            ['box_place', 'wet', 'switch-not-rated-for-place'],
            ['clearance', 'no', 'no-working-space'],
            ['wall', 'open', 'siding-to-come'],
            ['flood', 'yes', 'water-reaches-generator'],
            ['snow', 'yes', 'snow-closes-openings'],
            ['vents_clear', 'no', 'gas-vents-near'],
            ['ventilated', 'no', 'bay-not-vented'],
        ], $findings);
        $tripped = array_keys(array_filter([
            'the generator\'s' => ($a['generator_breaker_found'] ?? '') === 'tripped',
            'a main' => ($a['main_found'] ?? '') === 'tripped',
        ]));
        if ($tripped !== []) {
            $findings->raise('breaker-tripped-as-found', ['which' => implode(' and ', $tripped)]);
        }
    }

    /** @param array<string, string|float> $a */
    private function source(array $a, Findings $findings, Working $working): void
    {
        $static = $a['static_inwc'] ?? null;
        if (is_float($static)) {
            $fuel = (string) ($a['fuel'] ?? Fuel::NaturalGas->value);
            $figure = static fn(string $key): ?float => is_float($a[$key] ?? null) ? $a[$key] : null;
            $pressure = new GasPressure(
                $static,
                $figure('loaded_inwc'),
                $figure('least_inwc') ?? GasPressure::usualMin($fuel),
                $figure('most_inwc') ?? GasPressure::usualMax($fuel),
            );
            $pressure->judge($findings);
            if ($pressure->loaded !== null) {
                $words = sprintf('%.1f − %.1f, at most %.1f', $static, $pressure->loaded, $pressure->sagLimit);
                $working->add('Gas pressure sags', $words, $pressure->sag(), 'in wc');
            }
        }
        $this->raiseWhere($a, [
            ['regulators', 'no', 'shared-regulator'],
            ['flexible', 'no', 'rigid-gas-connection'],
            ['selector', 'single', 'selector-on-single'],
            ['outlet_gfci', 'yes', 'gfci-feeds-box'],
            ['converter_circuit', 'no', 'converter-not-alone'],
        ], $findings);
    }

    /**
     * @param array<string, string|float>               $a
     * @param list<array{string, float|string, string}> $rules question, answer, finding
     */
    private function raiseWhere(array $a, array $rules, Findings $findings): void
    {
        foreach ($rules as [$key, $answer, $id]) {
            if (($a[$key] ?? null) === $answer) {
                $findings->raise($id);
            }
        }
    }

    /** @param array<string, string|float> $a */
    private function service(array $a, Findings $findings): void
    {
        if (($a['cord_end'] ?? 'good') !== 'good') {
            $findings->raise('cord-end-worn', ['state' => $a['cord_end'] === 'hot' ? 'has been hot' : 'is loose']);
        }
        $this->raiseWhere($a, [['upstream', 'utility', 'utility-opens']], $findings);
        if (in_array('reversed', [$a['phase_order'] ?? '', $a['phase_order_second'] ?? ''], true)) {
            $findings->raise('phase-order-reversed');
        }
        $this->raiseWhere($a, [['slack_m', 0.0, 'no-slack']], $findings);
        if (($a['branch_metal'] ?? 'cu') !== 'cu') {
            $findings->raise('branch-wires-delicate', ['state' => $a['branch_metal'] === 'al' ? 'aluminum' : 'brittle']);
        }
        $this->raiseWhere($a, [['multiwire', 'yes', 'multiwire-circuits']], $findings);
    }

    /** A distance in both units: the sentence is read on US and metric sites alike. */
    private function both(float $metres): string
    {
        return sprintf('%.1f m (%.1f ft)', $metres, $metres / 0.3048);
    }
}
