<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\Colours;

use Escapement\Core\Wiring\Sizes;

/** Whether a conductor's colour says what it is. Rule: docs/rules.md#colours. */
final readonly class ColourMarks
{
    /** Smaller conductors must have their colour throughout. */
    private const REID_FROM = '4';

    public function __construct(private ColoursInput $in) {}

    /** @return list<string> */
    public function flags(Landing $landing): array
    {
        $system = $this->in->system;
        if ($system->roleOf($landing->conductor) !== 'G' && $system->role($landing->colour) === 'G') {
            return ['green-not-ground'];
        }

        return [...$this->marking($landing), ...$this->convention($landing)];
    }

    /** @return list<string> */
    private function marking(Landing $landing): array
    {
        $system = $this->in->system;
        $function = $system->roleOf($landing->conductor);
        $reid = $landing->reid === null ? null : $system->role($landing->reid);
        if ($system->role($landing->colour) === $function) {
            return $reid !== null && $reid !== $function ? ['reid-wrong'] : [];
        }
        if ($reid === null) {
            $isMixed = $system->hasTwoAges() && $function !== 'G' && in_array($landing->colour, ['blue', 'black'], true);

            return ['unmarked-reidentified', ...($isMixed ? ['old-new-colours-mixed'] : [])];
        }
        if ($reid !== $function) {
            return ['reid-wrong'];
        }
        $isSmall = $landing->size !== null && ! Sizes::isAtLeast($landing->size, self::REID_FROM);

        return $system->isOfNec() && $function !== 'phase' && $isSmall ? ['reid-too-small'] : [];
    }

    /** @return list<string> */
    private function convention(Landing $landing): array
    {
        $system = $this->in->system;
        $colour = $landing->effectiveColour();
        if ($system->role($colour) !== $system->roleOf($landing->conductor) || in_array(
            $colour,
            $system->expected()[$landing->conductor],
            true,
        )) {
            return [];
        }

        return [match (true) {
            $system->hasHighLeg() && $landing->conductor === 'L2' => 'high-leg-not-orange',
            ! $this->isOfOtherPhase($landing->conductor, $colour) => 'colour-not-convention',
            $this->areHotsAlike($landing->conductor, $colour) => 'same-colour-hots',
            default => 'colour-of-other-phase',
        }];
    }

    private function isOfOtherPhase(string $phase, string $colour): bool
    {
        foreach ($this->in->system->expected() as $other => $colours) {
            if ($other !== $phase && $this->in->system->roleOf($other) === 'phase' && in_array($colour, $colours, true)) {
                return true;
            }
        }

        return false;
    }

    /** Two hots of one colour are ordinary on a single-phase system, where there is no other system to tell them from. */
    private function areHotsAlike(string $phase, string $colour): bool
    {
        $phases = $this->in->system->phases();
        if (count($phases) !== 2 || $this->in->hasSeveralSystems) {
            return false;
        }
        $others = array_filter(
            $this->in->landings,
            static fn(Landing $landing): bool => $landing->conductor !== $phase && in_array($landing->conductor, $phases, true),
        );
        $unlike = array_filter($others, static fn(Landing $landing): bool => $landing->effectiveColour() !== $colour);

        return $others !== [] && $unlike === [];
    }
}
