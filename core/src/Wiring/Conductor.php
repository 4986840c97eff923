<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring;

use Escapement\Core\Calc\Answer;
use Escapement\Core\Calc\Findings;
use Escapement\Core\Calc\Working;
use Escapement\Core\Internal\Relative;
use Escapement\Core\Power\StandardSizes;
use Escapement\Core\Wire\Fields;
use Escapement\Core\Wire\Node;

/** Picks a feeder or circuit conductor, or checks the one on the truck: load, heat, bundling, terminals, breaker. Rule: wiring §2. */
final readonly class Conductor
{
    public function answer(Node $input): Answer
    {
        $in = new Fields($input);

        return $in->oneOf('system', ['nec', 'iec'], 'nec') === 'nec' ? $this->nec($in) : (new MetricConductor())->answer($in);
    }

    private function nec(Fields $in): Answer
    {
        $material = $in->oneOf('material', ['cu', 'al']);
        $insulationC = WiringFields::oneInt($in, 'insulation_c', [60, 75, 90], 90);
        $terminalGiven = WiringFields::maybeOneInt($in, 'terminal_c', [60, 75]);
        [$continuousA, $otherA] = WiringFields::load($in);
        $ocpdGiven = $in->maybeNumber('ocpd_a', 15, 6000);
        $is100Rated = $in->bool('ocpd_100pct_rated', false);
        $ambientC = $in->number('ambient_c', -40, 90, 30.0);
        $isFormula = $in->oneOf('ambient_method', ['table', 'formula'], 'table') === 'formula';
        $ccc = $in->int('ccc', 1, 100, 3);
        $isNipple = $in->bool('nipple', false);
        $sets = $in->int('sets', 1, 12, 1);
        $size = WiringFields::maybeSize($in, 'size', $material);
        $asked83 = $in->bool('dwelling_83pct', false);
        $isExempt = $in->bool('small_conductor_exempt', false);
        $isMulti = $in->bool('multi_receptacle_branch', false);
        $isCombined = $in->oneOf('continuous_school', ['separate', 'combined'], 'separate') === 'combined';
        $in->close();
        WiringFields::needsLoad($in, $continuousA, $otherA);

        $loadA = $continuousA + $otherA;
        $requiredA = ($is100Rated ? 1 : 1.25) * $continuousA + $otherA;
        $ocpdA = $ocpdGiven ?? Ampacity::nextOf(StandardSizes::AMPS, $requiredA);
        $is83 = Ampacity::is83($asked83, $ocpdA);
        $terminalC = Ampacity::terminal($terminalGiven, $ocpdA, $is83);
        $fa = Derating::ambient($insulationC, $ambientC, $isFormula);
        $fg = $isNipple ? 1.0 : Derating::adjustment($ccc);
        $neededTerminalA = $is83 ? 0.83 * $ocpdA : $requiredA;
        $neededCorrectedA = $is83 ? 0.83 * $ocpdA : ($isCombined ? $requiredA : $loadA);
        $of = static function (string $size) use ($material, $insulationC, $terminalC, $fa, $fg, $sets, $is83, $isMulti, $isExempt): array {
            $tableA = Ampacity::amps($material, $size, $insulationC);
            $tableTerminalA = Ampacity::amps($material, $size, min($terminalC, $insulationC));
            $correctedA = $tableA * $fa * $fg * $sets;
            $ampacityA = min($correctedA, $tableTerminalA * $sets);
            $base = match (true) {
                $is83 => min(400, $ampacityA / 0.83),
                $isMulti => $ampacityA,
                default => Ampacity::roundUp($ampacityA),
            };
            $cap = $isExempt || $is83 ? null : Ampacity::smallCap($material, $size);

            return [
                'table' => $tableA, 'tableTerminal' => $tableTerminalA, 'corrected' => $correctedA, 'terminal' => $tableTerminalA * $sets, 'ampacity' => $ampacityA,
                'base' => $base, 'cap' => $cap, 'max' => min($base, $cap ?? INF),
            ];
        };
        $passes = static fn(string $size): bool => Relative::isAtLeast($of($size)['terminal'], $neededTerminalA) && Relative::isAtLeast($of($size)['corrected'], $neededCorrectedA)
            && Relative::isAtLeast($of($size)['max'], $ocpdA) && ($sets === 1 || Sizes::isAtLeast($size, '1/0'));
        $isCheck = $size !== null;
        foreach ($isCheck ? [] : Sizes::AWG as $candidate) {
            if (! ($material === 'al' && $candidate === '14') && $passes($candidate)) {
                $size = $candidate;
                break;
            }
        }
        $f = $size === null ? null : $of($size);
        $findings = new Findings();
        $working = new Working();
        $working->add('Load with 125 % of continuous', sprintf('%s × %g + %g', $is100Rated ? '1' : '1.25', $continuousA, $otherA), $requiredA, 'A');
        if ($f === null || $size === null) {
            $findings->stop('no-size-fits', 'No size of the list carries this', 'Use more sets in parallel, a cooler way, or fewer conductors in one raceway.');
        } else {
            $working->add('Corrected ampacity', sprintf('%g A × %g ambient × %g bundling × %d', $f['table'], $fa, $fg, $sets), $f['corrected'], 'A');
            $working->add('Terminal ampacity', sprintf('%g A × %d, %d °C', $f['tableTerminal'], $sets, min($terminalC, $insulationC)), $f['terminal'], 'A');
            $this->judge($f, $size, $sets, $ocpdA, $neededTerminalA, $neededCorrectedA, $is83, $findings);
        }
        if ($fa == 0.0) {
            $findings->stop('ambient-too-hot', sprintf('At %g °C this insulation carries nothing', $ambientC), 'Choose another way, or insulation for more heat.');
        }
        WiringFields::ocpdFindings($findings, $ocpdA, $requiredA, $ocpdGiven !== null && ! in_array($ocpdA, array_map(floatval(...), StandardSizes::AMPS), true));
        if ($asked83 && ! $is83) {
            $findings->warn('dwelling-83-not-applicable', sprintf('The 83 %% option does not hold at %g A', $ocpdA), 'It is for services and whole-dwelling feeders from 100 to 400 A.');
        }
        if ($is83) {
            $findings->note('dwelling-83-used', 'The 83 % option is used', 'The conductor must carry the whole load of one dwelling.');
        }
        if ($terminalGiven === null) {
            $findings->note('terminal-assumed', "Terminals are taken as $terminalC °C", 'Read the marking on the lugs.');
        }
        WiringFields::closing($findings, $material);

        return new Answer([
            'mode' => $isCheck ? 'check' : 'choose', 'size' => $size, 'sets' => $sets, 'terminal_c' => $terminalC, 'table_insulation_a' => $f['table'] ?? null, 'table_terminal_a' => $f['tableTerminal'] ?? null,
            'ambient_factor' => $fa, 'adjustment_factor' => $fg, 'corrected_a' => $f['corrected'] ?? null, 'terminal_a' => $f['terminal'] ?? null, 'ampacity_a' => $f['ampacity'] ?? null,
            'load_a' => $loadA, 'required_a' => $requiredA, 'required_terminal_a' => $neededTerminalA, 'required_corrected_a' => $neededCorrectedA, 'ocpd_a' => $ocpdA, 'ocpd_max_a' => $f['max'] ?? null,
            'passes' => ! $findings->hasStop(),
        ], $findings->all(), $working->lines);
    }

    /** @param array{corrected: float, terminal: int, ampacity: float, base: float|int, cap: ?int, ...} $f */
    private function judge(array $f, string $size, int $sets, float $ocpdA, float $neededTerminalA, float $neededCorrectedA, bool $is83, Findings $findings): void
    {
        if (Relative::isOver($neededTerminalA, $f['terminal'])) {
            $findings->stop('terminal-too-hot', sprintf('The terminals take %g A, %g A are needed', $f['terminal'], $neededTerminalA), 'The lug runs hotter than it is listed for. Take a larger size.');
        }
        if (Relative::isOver($neededCorrectedA, $f['corrected'])) {
            $findings->stop('ampacity-too-low', sprintf('%.1f A after heat and bundling, %g A are needed', $f['corrected'], $neededCorrectedA), 'The insulation ages and fails. Take a larger size, or fewer conductors together.');
        }
        if (Relative::isOver($ocpdA, $f['base'])) {
            $findings->stop('ocpd-too-large', sprintf('%g A protects too late for %.1f A', $ocpdA, $f['ampacity']), 'The conductor burns before the breaker opens. Take a smaller one, or a larger conductor.');
        }
        if ($f['cap'] !== null && Relative::isOver($ocpdA, $f['cap'])) {
            $findings->stop('small-conductor-limit', "A $size conductor may have {$f['cap']} A at most", 'Small conductors have a limit of their own, unless a motor or air-conditioning rule applies.');
        }
        if ($sets > 1 && ! Sizes::isAtLeast($size, '1/0')) {
            $findings->stop('parallel-too-small', 'Conductors below 1/0 may not run in parallel', 'One loose joint puts all of it on the other. Use one larger conductor.');
        }
        if (! $is83 && Relative::isOver($ocpdA, $f['ampacity']) && Relative::isAtLeast($f['base'], $ocpdA)) {
            $findings->note('next-size-up-used', sprintf('%g A is the next standard size above %.1f A', $ocpdA, $f['ampacity']), 'Allowed up to 800 A where no tap and no multi-receptacle circuit is concerned.');
        }
    }
}
