<?php

declare(strict_types=1);

namespace Escapement\Core\Panel\NeutralEarth;

use Escapement\Core\Finding\Working;

/**
 * Two sources, their star points, the panel's bond and the changeover as a network of resistors: where the neutral's current and that of
 * an earth fault go in each position, and the least change that leaves one connection. Rule: docs/rules.md#neutral-earth.
 */
final readonly class NeutralEarth
{
    public function judge(NeutralEarthInput $in): NeutralEarthResult
    {
        $working = new Working();
        $positions = [$this->position('I', 0, $in)];
        if ($in->overlaps()) {
            $positions[] = $this->position('overlap', 0, $in);
        }
        $positions[] = $this->position('II', 1, $in);
        foreach ($positions as $one) {
            $working->add(
                "Position $one->position",
                sprintf('%d connections of neutral and earth, return path %s Ω', $one->earthPoints, $one->returnOhm ?? 'none'),
                $one->faultA,
                'A',
            );
        }
        $derived = [];
        foreach ($in->sources as $source) {
            $derived[$source->id] = $source->isGenerator ? $in->isFourPole : null;
        }
        $open = $this->openNeutral($in);

        return new NeutralEarthResult(
            $positions,
            $derived,
            $this->actions($in),
            $open,
            $in->isFourPole
                ? ['neutral-makes-first', 'neutral-breaks-last', 'neutral-rated-as-phases', 'no-lone-fuse']
                : ['neutral-bolted-through', 'one-earth-only', 'no-lone-fuse'],
            (new NeutralEarthFindings($in))->all($positions, $open),
            $working->lines,
        );
    }

    /**
     * @param 'I'|'II'|'overlap' $name
     * @param 0|1                $active
     */
    private function position(string $name, int $active, NeutralEarthInput $in): EarthPosition
    {
        $joined = $this->joined($name, $active, $in);
        $network = $this->network($joined, $in);
        $points = $this->earthPoints($joined, $active, $in);
        $source = $in->sources[$active];
        $other = 1 - $active;
        $load = $network->volts('P', "S$active", $in->loadNeutralA);
        $neutral = self::through($load, $active, $joined, $in);
        $otherNeutral = self::through($load, $other, $joined, $in);
        $unit = $network->volts('E', "S$active", 1.0);
        $returnOhm = $unit['E'] ?? null;
        $fault = $returnOhm === null ? 0.0 : $source->vLn / ($in->phaseOhm + $in->faultOhm + $returnOhm);
        $back = isset($unit['P']) ? self::through($unit, $active, $joined, $in) ?? 0.0 : 0.0;
        $sensed = $returnOhm === null ? null : $fault - $fault * $back;
        $otherBack = isset($unit['P'], $unit["S$other"]) ? self::through($unit, $other, $joined, $in) ?? 0.0 : 0.0;

        return new EarthPosition(
            $name,
            $source->id,
            $points,
            ['none', 'ok'][$points] ?? 'several',
            $neutral,
            $neutral === null ? null : $in->loadNeutralA - $neutral,
            $otherNeutral === null ? null : abs($otherNeutral),
            $fault,
            $returnOhm,
            $sensed,
            $sensed === null || $fault === 0.0 ? null : $sensed / $fault,
            $returnOhm === null ? null : abs($fault * $otherBack),
        );
    }

    /**
     * The current in the neutral conductor of a source; null without a path, 0 where it is not joined.
     *
     * @param null|array<string, float> $volts
     * @param list<int>                 $joined
     */
    private static function through(?array $volts, int $k, array $joined, NeutralEarthInput $in): ?float
    {
        if ($volts === null || ! in_array($k, $joined, true)) {
            return $volts === null ? null : 0.0;
        }

        return (($volts['P'] ?? 0.0) - ($volts["S$k"] ?? 0.0)) / $in->sources[$k]->neutralOhm;
    }

    /**
     * @param 0|1 $active
     *
     * @return list<int> sources whose neutral is joined to the panel's
     */
    private function joined(string $position, int $active, NeutralEarthInput $in): array
    {
        return match (true) {
            ! $in->isFourPole, $position === 'overlap' => [0, 1],
            $in->isSwapped => [1 - $active],
            default => [$active],
        };
    }

    /** @param list<int> $joined */
    private function network(array $joined, NeutralEarthInput $in): Resistors
    {
        $list = [];
        foreach ($in->sources as $k => $source) {
            if (in_array($k, $joined, true)) {
                $list[] = ['P', "S$k", $source->neutralOhm];
            }
            if ($source->isEarthed) {
                $list[] = ["S$k", 'E', $source->earthOhm];
            }
        }
        if ($in->hasPanelBond) {
            $list[] = ['P', 'E', $in->panelBondOhm];
        }

        return new Resistors($list);
    }

    /**
     * @param list<int> $joined
     * @param 0|1       $active
     */
    private function earthPoints(array $joined, int $active, NeutralEarthInput $in): int
    {
        $isOnPanel = in_array($active, $joined, true);
        $net = $isOnPanel ? $joined : [$active];
        $earthed = array_filter($net, static fn(int $k): bool => $in->sources[$k]->isEarthed);

        return count($earthed) + ($isOnPanel && $in->hasPanelBond ? 1 : 0);
    }

    /** @return list<array{action: string, at: ?string}> */
    private function actions(NeutralEarthInput $in): array
    {
        $act = static fn(string $action, ?string $at = null): array => ['action' => $action, 'at' => $at];
        $actions = $in->isSwapped ? [$act('swap-neutrals-back')] : [];
        $earthed = array_values(array_filter($in->sources, static fn(EarthedSource $source): bool => $source->isEarthed));
        if ($in->isFourPole) {
            if ($in->hasPanelBond && $earthed === []) {
                return $actions;
            }
            $bare = array_filter($in->sources, static fn(EarthedSource $source): bool => ! $source->isEarthed);

            return [
                ...$actions,
                ...($in->hasPanelBond ? [$act('remove-panel-bond')] : []),
                ...array_values(array_map(static fn(EarthedSource $source): array => $act('add-source-earth', $source->id), $bare)),
            ];
        }
        if ($earthed === [] && ! $in->hasPanelBond) {
            return [...$actions, $act('add-panel-bond')];
        }
        $transformers = array_values(array_filter($earthed, static fn(EarthedSource $source): bool => ! $source->isGenerator));
        $kept = $in->hasPanelBond ? null : ($transformers[0] ?? $earthed[0]);
        $goes = array_filter($earthed, static fn(EarthedSource $source): bool => $source !== $kept);

        foreach ($goes as $source) {
            $actions[] = $act('remove-source-earth', $source->id);
        }

        return $actions;
    }

    /** @return null|list<float> volts of each phase when the neutral is open */
    private function openNeutral(NeutralEarthInput $in): ?array
    {
        if ($in->loadsW === null) {
            return null;
        }
        $v = $in->sources[0]->vLn;
        $x = $y = 0.0;
        $phases = [];
        foreach ([0, -120, 120] as $i => $deg) {
            $phases[] = $phase = [$v * cos(deg2rad($deg)), $v * sin(deg2rad($deg))];
            $x += $phase[0] * $in->loadsW[$i];
            $y += $phase[1] * $in->loadsW[$i];
        }
        $sum = array_sum($in->loadsW);

        return array_map(static fn(array $phase): float => hypot($phase[0] - $x / $sum, $phase[1] - $y / $sum), $phases);
    }
}
