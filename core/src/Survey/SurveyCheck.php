<?php

declare(strict_types=1);

namespace Escapement\Core\Survey;

use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Severity;
use Escapement\Core\Finding\Working;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Settings\Fuel;

/**
 * What the answers of a survey mean for the work, and what is still to be found out. Rule: docs/rules.md#survey.
 *
 * Input: `kind` K1 to K10, `answers` by the keys of core/data/survey.php and `fuel`, `before_photos` a count, `loads` with
 * `sensitive` and `ups`. Distances in metres, gas pressures in inches of water column.
 */
final readonly class SurveyCheck
{
    /** A usual least distance of exhaust from an opening; the instructions and the code in force rule. */
    private const OPENING_M = 1.5;
    private const SAG_PCT = 10.0;

    public function answer(Node $input): CalculationResult
    {
        $in = new Fields($input);
        $kind = $in->oneOf('kind', array_column(InstallationKind::cases(), 'value'));
        $questionnaire = new Questionnaire($kind);
        $answers = $this->answers($in->object('answers'), $questionnaire);
        $photos = $in->int('before_photos', 0, 100_000, 0);
        $loads = $in->each(
            'loads',
            0,
            200,
            static fn(Fields $load): array => [
                'id' => $load->text('id'),
                'sensitive' => $load->bool('sensitive', false),
                'ups' => $load->bool('ups', false),
            ],
        );
        $in->close();

        $findings = new Findings();
        $working = new Working();
        $this->place($answers, $findings, $working);
        $this->source($answers, $findings, $working);
        $this->service($answers, $findings);
        $blinking = array_column(array_filter($loads, static fn(array $load): bool => $load['sensitive'] && ! $load['ups']), 'id');
        if ($blinking !== []) {
            $findings->raise('sensitive-without-ups', ['names' => implode(', ', $blinking)], $blinking);
        }
        if ($photos === 0) {
            $findings->raise('no-before-photo');
        }
        $missing = array_map(
            static fn(Question $question): array => [
                'key' => $question->key,
                'subject' => $question->subject->value,
                'for' => $question->neededFor?->value,
            ],
            $questionnaire->missing($answers),
        );

        return new CalculationResult(
            ['missing' => $missing, 'asked' => count($questionnaire->questions)],
            $findings->all(),
            $working->lines,
        );
    }

    /** @return array<string, string|float> */
    private function answers(Fields $given, Questionnaire $questionnaire): array
    {
        $answers = [];
        foreach ($questionnaire->questions as $key => $question) {
            $options = array_map(strval(...), array_keys($question->options));
            $answers[$key] = $options === []
                ? $given->maybeNumber($key, $question->min, $question->max)
                : $given->maybeOneOf($key, $options);
        }
        $answers['fuel'] = $given->maybeOneOf('fuel', array_column(Fuel::cases(), 'value'));
        $given->close();

        return array_filter($answers, static fn(string|float|null $answer): bool => $answer !== null);
    }

    /** @param array<string, string|float> $a */
    private function place(array $a, Findings $findings, Working $working): void
    {
        $burns = ($a['fuel'] ?? '') !== Fuel::Battery->value;
        if ($burns && isset($a['co_alarms']) && $a['co_alarms'] !== 'yes') {
            $isNone = $a['co_alarms'] === 'no';
            $alarms = $isNone ? 'There is no carbon monoxide alarm inside' : 'The carbon monoxide alarms are not tested';
            $findings->raise('no-co-alarm', ['alarms' => $alarms], severity: $isNone ? Severity::Stop : Severity::Warn);
        }
        $distance = $a['opening_m'] ?? null;
        if ($burns && is_float($distance)) {
            $asked = $a['opening_least_m'] ?? null;
            $least = is_float($asked) ? $asked : self::OPENING_M;
            $working->add(
                'Generator to the nearest opening',
                sprintf(
                    '%.2f m against %.2f m%s',
                    $distance,
                    $least,
                    is_float($asked) ? ' of its instructions' : ', a usual least distance',
                ),
                $distance - $least,
                'm',
            );
            if ($distance < $least) {
                $findings->raise('too-close-to-opening', ['distance' => $this->both($distance), 'least' => $this->both($least)]);
            }
        }
        if (($a['box_place'] ?? '') === 'wet') {
            $findings->raise('switch-not-rated-for-place');
        }
        if (($a['clearance'] ?? '') === 'no') {
            $findings->raise('no-working-space');
        }
        if (($a['wall'] ?? '') === 'open') {
            $findings->raise('siding-to-come');
        }
        if (($a['flood'] ?? '') === 'yes') {
            $findings->raise('water-reaches-generator');
        }
        if (($a['ventilated'] ?? '') === 'no') {
            $findings->raise('bay-not-vented');
        }
    }

    /** @param array<string, string|float> $a */
    private function source(array $a, Findings $findings, Working $working): void
    {
        if (($a['regulators'] ?? '') === 'no') {
            $findings->raise('shared-regulator');
        }
        if (($a['flexible'] ?? '') === 'no') {
            $findings->raise('rigid-gas-connection');
        }
        $static = $a['static_inwc'] ?? null;
        $loaded = $a['loaded_inwc'] ?? null;
        if (is_float($static) && is_float($loaded)) {
            $sag = 100 * ($static - $loaded) / $static;
            $working->add('Gas pressure sags', sprintf('100 × (%.1f − %.1f) ÷ %.1f', $static, $loaded, $static), $sag, '%');
            if ($sag > self::SAG_PCT) {
                $findings->raise('gas-pressure-sags', ['sag' => $sag]);
            }
        }
        if (($a['selector'] ?? '') === 'single') {
            $findings->raise('selector-on-single');
        }
        if (($a['outlet_gfci'] ?? '') === 'yes') {
            $findings->raise('gfci-feeds-box');
        }
        if (($a['converter_circuit'] ?? '') === 'no') {
            $findings->raise('converter-not-alone');
        }
    }

    /** @param array<string, string|float> $a */
    private function service(array $a, Findings $findings): void
    {
        if (($a['cord_end'] ?? 'good') !== 'good') {
            $findings->raise('cord-end-worn', ['state' => $a['cord_end'] === 'hot' ? 'has been hot' : 'is loose']);
        }
        if (($a['upstream'] ?? '') === 'utility') {
            $findings->raise('utility-opens');
        }
        if (in_array('reversed', [$a['phase_order'] ?? '', $a['phase_order_second'] ?? ''], true)) {
            $findings->raise('phase-order-reversed');
        }
        if (($a['slack_m'] ?? null) === 0.0) {
            $findings->raise('no-slack');
        }
        if (($a['branch_metal'] ?? 'cu') !== 'cu') {
            $findings->raise('branch-wires-delicate', ['state' => $a['branch_metal'] === 'al' ? 'aluminum' : 'brittle']);
        }
        if (($a['multiwire'] ?? '') === 'yes') {
            $findings->raise('multiwire-circuits');
        }
    }

    /** A distance in both units: the sentence is read on US and metric sites alike. */
    private function both(float $metres): string
    {
        return sprintf('%.1f m (%.1f ft)', $metres, $metres / 0.3048);
    }
}
