<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring;

use Escapement\Core\Calc\Answer;
use Escapement\Core\Calc\Findings;
use Escapement\Core\Calc\Working;
use Escapement\Core\Internal\Relative;
use Escapement\Core\Wire\BadInput;
use Escapement\Core\Wire\Fields;
use Escapement\Core\Wire\Node;

/** Equipment grounding, grounding electrode and bonding conductors. Rule: wiring §4. */
final readonly class Grounding
{
    /** The electrode's own limit: a rod, or steel in concrete, takes no more than this carries away. */
    private const CAPS = ['rod' => ['cu' => '6', 'al' => '4'], 'concrete_encased' => ['cu' => '4', 'al' => '2']];

    public function answer(Node $input): Answer
    {
        $in = new Fields($input);
        $findings = new Findings();
        $working = new Working();
        $egc = ($f = $in->maybeObject('egc')) === null ? null : $this->egc($f, $findings, $working);
        $gec = ($f = $in->maybeObject('gec')) === null ? null : $this->gec($f, $findings, $working);
        $jumper = ($f = $in->maybeObject('bonding_jumper')) === null ? null : $this->jumper($f, $findings, $working);
        $in->close();
        if ($egc === null && $gec === null && $jumper === null) {
            throw $input->bad('One of egc, gec and bonding_jumper is needed.');
        }
        WiringFields::confirm($findings);

        return new Answer(['egc' => $egc, 'gec' => $gec, 'bonding_jumper' => $jumper, 'passes' => ! $findings->hasStop()], $findings->all(), $working->lines);
    }

    /** @return array<string, mixed> */
    private function egc(Fields $in, Findings $findings, Working $working): array
    {
        $ocpdA = $in->number('ocpd_a', 15, 4000);
        $material = $in->oneOf('material', ['cu', 'al']);
        $ungrounded = $in->oneOf('ungrounded_material', ['cu', 'al'], 'cu');
        $minSize = WiringFields::maybeSize($in, 'min_size', $ungrounded);
        $minSets = $in->int('min_sets', 1, 12, 1);
        $installed = WiringFields::maybeSize($in, 'installed_size', $ungrounded);
        $sets = $in->int('sets', 1, 12, 1);
        $raceways = $in->int('raceways', 1, 12, 1);
        $given = WiringFields::maybeSize($in, 'egc_size', $material);
        $in->close();
        if (($minSize === null) !== ($installed === null)) {
            throw BadInput::missing($in->node->at($minSize === null ? 'min_size' : 'installed_size', null)->path);
        }
        if ($installed !== null && $sets % $raceways !== 0) {
            throw $in->at('raceways')->bad("$sets sets do not part evenly into $raceways raceways.");
        }
        $base = EgcTable::egc($ocpdA, $material);
        $ratio = $installed === null || $minSize === null ? 1.0 : Sizes::kcmil($installed) * $sets / (Sizes::kcmil($minSize) * $minSets);
        if (! Relative::isAtLeast($ratio, 1)) {
            $findings->stop('ungrounded-below-minimum', 'The conductors are smaller than the least size given', 'Correct one of the two.');
        }
        $needed = Sizes::kcmil($base) * max(1.0, $ratio);
        $size = Sizes::ofArea($needed);
        $isCapped = false;
        if ($installed !== null && $ungrounded === $material) {
            $cap = Sizes::kcmil($installed) * $sets / $raceways;
            $atCap = Sizes::ofArea($cap);
            if ($atCap !== null && Relative::isOver($size === null ? INF : Sizes::kcmil($size), $cap)) {
                $size = $atCap;
                $isCapped = true;
            }
        }
        $working->add('Grounding conductor', sprintf('%s for %g A, × %.4g for larger conductors', $base, $ocpdA, max(1.0, $ratio)), $needed, 'kcmil');
        $isOk = $given === null ? null : $size !== null && Relative::isAtLeast(Sizes::kcmil($given), Sizes::kcmil($size));
        if ($isOk === false) {
            $findings->stop('egc-too-small', "The grounding conductor $given is too small", 'A fault does not open the breaker in time.' . ($size === null ? '' : " Take $size."));
        }
        if ($size === null) {
            $findings->stop('egc-over-table', 'The grounding conductor is larger than the table knows', 'This is an engineer\'s case.');
        } elseif (Relative::isOver(Sizes::kcmil($size), Sizes::kcmil($base))) {
            $findings->note('egc-upsized', "The grounding conductor grows with the others, from $base to $size", 'Larger conductors lower the impedance of the fault only if its way back is larger too.');
        }
        if ($isCapped) {
            $findings->note('egc-capped', 'It need not be larger than the conductors it goes with', 'The way back is then as good as the way there.');
        }
        if ($raceways > 1) {
            $findings->note('parallel-egc-each-raceway', 'A full-size one goes in each raceway', 'A fault in one raceway comes back through that one alone.');
        }

        return ['base_size' => $base, 'ratio' => $ratio, 'required_kcmil' => $needed, 'size' => $size, 'capped' => $isCapped, 'per_raceway' => $raceways, 'ok' => $isOk];
    }

    /** @return array<string, mixed> */
    private function gec(Fields $in, Findings $findings, Working $working): array
    {
        $ungrounded = $in->oneOf('ungrounded_material', ['cu', 'al']);
        $ungroundedSize = WiringFields::size($in, 'ungrounded_size', $ungrounded);
        $sets = $in->int('sets', 1, 12, 1);
        $material = $in->oneOf('material', ['cu', 'al']);
        $electrode = $in->oneOf('electrode', ['pipe_or_steel', 'rod', 'concrete_encased'], 'pipe_or_steel');
        $installed = WiringFields::maybeSize($in, 'installed_size', $material);
        $in->close();
        $total = Sizes::kcmil($ungroundedSize) * $sets;
        $table = EgcTable::byConductors($total, $ungrounded, $material) ?? EgcTable::largest($material);
        $cap = self::CAPS[$electrode][$material] ?? null;
        $size = $cap !== null && ! Sizes::isAtLeast($cap, $table) ? $cap : $table;
        $working->add('Electrode conductor', sprintf('%g kcmil of conductors, to a %s', $total, str_replace('_', ' ', $electrode)), $size, '');
        $isOk = $installed === null ? null : Relative::isAtLeast(Sizes::kcmil($installed), Sizes::kcmil($size));
        if ($isOk === false) {
            $findings->stop('gec-too-small', "The electrode conductor $installed is too small", "Take $size.");
        }
        if ($material === 'al' && $electrode === 'concrete_encased') {
            $findings->stop('aluminium-in-concrete', 'Aluminium in concrete corrodes', 'Use copper to an electrode in concrete.');
        }
        if ($material === 'al' && $electrode === 'rod') {
            $findings->warn('aluminium-near-earth', 'Aluminium to a rod', 'Not within 18 in of earth, and not outdoors near it: it corrodes. Use copper.');
        }

        return ['total_kcmil' => $total, 'table_size' => $table, 'size' => $size, 'ok' => $isOk];
    }

    /** @return array<string, mixed> */
    private function jumper(Fields $in, Findings $findings, Working $working): array
    {
        $ungrounded = $in->oneOf('ungrounded_material', ['cu', 'al']);
        $ungroundedSize = WiringFields::size($in, 'ungrounded_size', $ungrounded);
        $sets = $in->int('sets', 1, 12, 1);
        $material = $in->oneOf('material', ['cu', 'al']);
        $raceways = $in->int('raceways', 1, 12, 1);
        $installed = WiringFields::maybeSize($in, 'installed_size', $material);
        $in->close();
        if ($sets % $raceways !== 0) {
            throw $in->at('raceways')->bad("$sets sets do not part evenly into $raceways raceways.");
        }
        $kcmil = Sizes::kcmil($ungroundedSize) * $sets / $raceways;
        $byTable = EgcTable::byConductors($kcmil, $ungrounded, $material);
        $size = $byTable ?? Sizes::ofArea(0.125 * $kcmil);
        $working->add('Bonding jumper', $byTable === null ? sprintf('12.5 %% of %g kcmil', $kcmil) : sprintf('by the table for %g kcmil', $kcmil), $size, '');
        $isOk = $installed === null ? null : $size !== null && Relative::isAtLeast(Sizes::kcmil($installed), Sizes::kcmil($size));
        if ($isOk === false) {
            $findings->stop('bonding-jumper-too-small', "The bonding jumper $installed is too small", $size === null ? 'It is larger than the table knows.' : "Take $size.");
        }
        if ($byTable === null && $material !== $ungrounded) {
            $findings->warn('mixed-material-jumper', 'Jumper and conductors are of different metals', 'Reckon it again with conductors of the jumper\'s metal that carry the same.');
        }

        return ['kcmil' => $kcmil, 'size' => $size, 'per_raceway' => $raceways, 'rule' => $byTable === null ? '12.5pct' : 'table', 'ok' => $isOk];
    }
}
