<?php

declare(strict_types=1);

namespace Escapement\Core\Survey;

use Escapement\Core\Calc\Answer;
use Escapement\Core\Calc\Findings;
use Escapement\Core\Calc\Working;
use Escapement\Core\Finding\Severity;
use Escapement\Core\Settings\Fuel;
use Escapement\Core\Template\InstallationKind;
use Escapement\Core\Wire\Fields;
use Escapement\Core\Wire\Node;

/**
 * What the answers of a survey mean for the work, and what is still to be found out. Rule: field notes S1–S6, I6, L5.
 *
 * Input: `kind` K1 to K10, `answers` by the keys of core/data/survey.php and `fuel`, `before_photos` a count, `loads` with
 * `sensitive` and `ups`. Distances in metres, gas pressures in inches of water column.
 */
final readonly class SurveyCheck
{
    /** A usual least distance of exhaust from an opening; the instructions and the code in force rule. */
    private const OPENING_M = 1.5;
    private const SAG_PCT = 10.0;

    public function answer(Node $input): Answer
    {
        $in = new Fields($input);
        $kind = $in->oneOf('kind', array_column(InstallationKind::cases(), 'value'));
        $questionnaire = new Questionnaire($kind);
        $answers = $this->answers($in->object('answers'), $questionnaire);
        $photos = $in->int('before_photos', 0, 100_000, 0);
        $loads = $in->each('loads', 0, 200, static fn(Fields $load): array => ['id' => $load->text('id'), 'sensitive' => $load->bool('sensitive', false), 'ups' => $load->bool('ups', false)]);
        $in->close();

        $findings = new Findings();
        $working = new Working();
        $this->place($answers, $findings, $working);
        $this->source($answers, $findings, $working);
        $this->service($answers, $findings);
        $blinking = array_column(array_filter($loads, static fn(array $load): bool => $load['sensitive'] && ! $load['ups']), 'id');
        if ($blinking !== []) {
            $findings->warn('sensitive-without-ups', 'Electronics blink at each transfer: ' . implode(', ', $blinking) . '.', 'The load is dark while the source starts. An uninterruptible supply of its own carries it over.', $blinking);
        }
        if ($photos === 0) {
            $findings->note('no-before-photo', 'There is no picture from before the work.', 'It is what people miss most when a cover is off and nobody knows how it was.');
        }
        $missing = array_map(static fn(Question $question): array => ['key' => $question->key, 'subject' => $question->subject->value, 'for' => $question->neededFor?->value], $questionnaire->missing($answers));

        return new Answer(['missing' => $missing, 'asked' => count($questionnaire->questions)], $findings->all(), $working->lines);
    }

    /** @return array<string, string|float> */
    private function answers(Fields $given, Questionnaire $questionnaire): array
    {
        $answers = [];
        foreach ($questionnaire->questions as $key => $question) {
            $options = array_map(strval(...), array_keys($question->options));
            $answers[$key] = $options === [] ? $given->maybeNumber($key, $question->min, $question->max) : $given->maybeOneOf($key, $options);
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
            $findings->add('no-co-alarm', $isNone ? Severity::Stop : Severity::Warn, $isNone ? 'There is no carbon monoxide alarm inside.' : 'The carbon monoxide alarms are not tested.', 'Exhaust finds its way in, and nobody smells it. Alarms on every floor where people sleep, before the engine runs.');
        }
        $distance = $a['opening_m'] ?? null;
        if ($burns && is_float($distance)) {
            $asked = $a['opening_least_m'] ?? null;
            $least = is_float($asked) ? $asked : self::OPENING_M;
            $working->add('Generator to the nearest opening', sprintf('%.2f m against %.2f m%s', $distance, $least, is_float($asked) ? ' of its instructions' : ', a usual least distance'), $distance - $least, 'm');
            if ($distance < $least) {
                $findings->stop('too-close-to-opening', "The exhaust is {$this->both($distance)} from an opening; {$this->both($least)} are asked for.", 'Carbon monoxide kills in sleep. The instructions, the code in force and the authority say how far.');
            }
        }
        if (($a['box_place'] ?? '') === 'wet') {
            $findings->stop('switch-not-rated-for-place', 'The switch hangs where its rating does not let it.', 'A box for dry rooms stays dry and indoors; outdoors takes an enclosure marked for it.');
        }
        if (($a['clearance'] ?? '') === 'no') {
            $findings->warn('no-working-space', 'There is no clear working space before the switch.', 'Whoever opens it must be able to step back. The code in force gives width, depth and height.');
        }
        if (($a['wall'] ?? '') === 'open') {
            $findings->note('siding-to-come', 'Set the switch before the siding is finished.', 'Raceways and a box behind it go in clean; afterwards the wall is cut.');
        }
        if (($a['flood'] ?? '') === 'yes') {
            $findings->warn('water-reaches-generator', 'Water or drifting snow can reach the generator.', 'It is needed on exactly such a day: raise it, or choose another place.');
        }
        if (($a['ventilated'] ?? '') === 'no') {
            $findings->stop('bay-not-vented', 'A battery or generator bay is not vented to outside.', 'Charging gas burns, exhaust kills. As the makers of both say.');
        }
    }

    /** @param array<string, string|float> $a */
    private function source(array $a, Findings $findings, Working $working): void
    {
        if (($a['regulators'] ?? '') === 'no') {
            $findings->warn('shared-regulator', 'House and generator share a regulator.', 'The furnace lights and the engine starves, or the other way round. One regulator each.');
        }
        if (($a['flexible'] ?? '') === 'no') {
            $findings->stop('rigid-gas-connection', 'The gas pipe is rigid up to the machine.', 'It shakes and the ground heaves: a rigid joint cracks and leaks. A flexible connector listed for it.');
        }
        $static = $a['static_inwc'] ?? null;
        $loaded = $a['loaded_inwc'] ?? null;
        if (is_float($static) && is_float($loaded)) {
            $sag = 100 * ($static - $loaded) / $static;
            $working->add('Gas pressure sags', sprintf('100 × (%.1f − %.1f) ÷ %.1f', $static, $loaded, $static), $sag, '%');
            if ($sag > self::SAG_PCT) {
                $findings->warn('gas-pressure-sags', sprintf('The gas pressure sags by %.0f %% under load.', $sag), 'Pipe, regulator or meter is too small for all of it together; the maker gives the least pressure.');
            }
        }
        if (($a['selector'] ?? '') === 'single') {
            $findings->stop('selector-on-single', 'The portable stands on 120 V only.', 'One leg stays dead, or both come from one: set it to 120/240 V before the first transfer.');
        }
        if (($a['outlet_gfci'] ?? '') === 'yes') {
            $findings->warn('gfci-feeds-box', 'Its outlet has ground-fault protection.', 'It trips as soon as neutral and ground meet a second time; the box\'s instructions say which outlet, and the bond which side.');
        }
        if (($a['converter_circuit'] ?? '') === 'no') {
            $findings->warn('converter-not-alone', 'The charger has no breaker of its own.', 'On an inverter it must be off, or the battery charges itself in a circle; without a breaker it cannot be shed.');
        }
    }

    /** @param array<string, string|float> $a */
    private function service(array $a, Findings $findings): void
    {
        if (($a['cord_end'] ?? 'good') !== 'good') {
            $findings->stop('cord-end-worn', $a['cord_end'] === 'hot' ? 'The cord end has been hot.' : 'The cord end is loose.', 'A loose or hot contact is a fire. Renew cord end and inlet before anything else.');
        }
        if (($a['upstream'] ?? '') === 'utility') {
            $findings->note('utility-opens', 'Only the utility can open the supply.', 'Agree the hour early: the line side stays live until they have opened it.');
        }
        if (in_array('reversed', [$a['phase_order'] ?? '', $a['phase_order_second'] ?? ''], true)) {
            $findings->stop(
                'phase-order-reversed',
                'The phase order of a supply is reversed.',
                'Every three-phase motor runs backwards on it. A licensed electrician exchanges two phases, isolated and proved dead.',
            );
        }
        if (($a['slack_m'] ?? null) === 0.0) {
            $findings->note('no-slack', 'The service cable has no slack.', 'Plan a box big enough for the splice, or a new cable, before the power is off.');
        }
        if (($a['branch_metal'] ?? 'cu') !== 'cu') {
            $findings->warn('branch-wires-delicate', $a['branch_metal'] === 'al' ? 'The branch conductors are aluminium.' : 'The branch conductors are brittle.', 'Moving circuits bends each of them. Carry the whole panel, or plan for joints listed for it.');
        }
        if (($a['multiwire'] ?? '') === 'yes') {
            $findings->note('multiwire-circuits', 'Two hots share a neutral somewhere.', 'They stay together, on both legs and one handle; on a single-leg source the neutral carries the sum.');
        }
    }

    /** A distance in both units: the sentence is read on US and metric sites alike. */
    private function both(float $metres): string
    {
        return sprintf('%.1f m (%.1f ft)', $metres, $metres / 0.3048);
    }
}
