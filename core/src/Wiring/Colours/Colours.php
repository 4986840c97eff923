<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\Colours;

use Escapement\Core\Finding\Findings;

/** Before energizing: does every conductor sit where it belongs, and do the colours say so. Rule: docs/rules.md#colours. */
final readonly class Colours
{
    public function judge(ColoursInput $in): ColoursResult
    {
        $findings = new Findings();
        $map = new PhaseMap($in->system->phases(), $in->landings);
        $marks = new ColourMarks($in);
        $rows = [];
        foreach ($in->landings as $landing) {
            $flags = [...$marks->flags($landing), ...$this->place($landing, $in, $map)];
            sort($flags);
            foreach ($flags as $id) {
                $findings->raise("colours/$id", [], ["$landing->conductor on $landing->terminal"]);
            }
            $rows[] = new JudgedLanding(
                $landing->conductor,
                $landing->terminal,
                $landing->effectiveColour(),
                $in->system->expected()[$landing->conductor],
                array_values(array_unique($flags)),
            );
        }
        $rotation = $map->rotation();
        if ($rotation === 'reversed') {
            $findings->raise('wrong-rotation');
        }
        $missing = $this->missing($in, $findings);
        $findings->raise('confirm-by-test');

        return new ColoursResult($rows, $rotation, $missing, ! $findings->hasStop(), $findings->worstFirst());
    }

    /** @return list<string> */
    private function place(Landing $landing, ColoursInput $in, PhaseMap $map): array
    {
        $function = $in->system->roleOf($landing->conductor);
        $terminal = $in->system->roleOf($landing->terminal);
        if ($function !== $terminal) {
            return [match ("$function on $terminal") {
                'phase on N' => 'hot-on-neutral',
                'phase on G' => 'hot-on-ground',
                'N on phase' => 'neutral-on-phase',
                'N on G' => 'neutral-on-ground',
                'G on phase' => 'ground-on-phase',
                default => $in->isBondingPoint ? 'ground-on-neutral-allowed' : 'ground-on-neutral-bar',
            }];
        }

        return $function === 'phase' ? $this->phasePlace($landing, $in, $map) : [];
    }

    /** @return list<string> */
    private function phasePlace(Landing $landing, ColoursInput $in, PhaseMap $map): array
    {
        $isJoined = $map->isJoined($landing->terminal);
        $flags = $isJoined ? ['phases-joined'] : [];
        if ($in->system->hasHighLeg() && $landing->conductor === 'L2' && $landing->terminal !== 'L2') {
            $flags[] = 'high-leg-wrong-terminal';
        }
        if ($landing->conductor !== $landing->terminal && ! $isJoined) {
            $flags[] = $map->isComplete() && $map->isEven() ? 'phase-rolled' : 'phase-swapped';
        }

        return $flags;
    }

    /** @return list<string> the functions that nobody landed */
    private function missing(ColoursInput $in, Findings $findings): array
    {
        $landed = array_map(static fn(Landing $landing): string => $landing->conductor, $in->landings);
        $missing = [];
        foreach (array_diff($in->system->functions(), $landed) as $function) {
            if ($function === 'N' && ! $in->hasNeutral || $function === 'G' && $in->isBondingPoint) {
                continue;
            }
            $missing[] = $function;
            match ($function) {
                'N' => $findings->raise('neutral-missing'),
                'G' => $findings->raise('ground-missing'),
                default => $findings->raise('phase-missing', ['function' => $function], [$function]),
            };
        }

        return $missing;
    }
}
