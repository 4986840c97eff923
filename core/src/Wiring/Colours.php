<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring;

use Escapement\Core\Calc\Answer;
use Escapement\Core\Calc\Findings;
use Escapement\Core\Wire\Fields;
use Escapement\Core\Wire\Node;

/** Before energising: does every conductor sit where it belongs, and do the colours say so. Rule: wiring §8. */
final readonly class Colours
{
    private const SAYS = [
        'green-not-ground' => ['stop', 'Green, or bare, is not a ground here', 'Never, even marked: somebody will take it for ground and touch it.'],
        'unmarked-reidentified' => ['stop', 'A colour says something else than the conductor is', 'Mark it with tape or sleeve in its own colour at every end.'],
        'old-new-colours-mixed' => ['stop', 'Old and new colours are mixed', 'Blue and black changed places: a neutral of one age is a phase of the other. Mark both ends and post a notice.'],
        'reid-wrong' => ['stop', 'The tape or sleeve says the wrong thing', 'Take it off and mark it by what was proved by test.'],
        'reid-too-small' => ['warn', 'A small conductor is re-marked', 'Smaller than 4 AWG must have its colour throughout. Replace it.'],
        'high-leg-not-orange' => ['stop', 'The high leg is not orange', 'It has 208 V to neutral: whatever is put on it burns. Mark it orange.'],
        'colour-of-other-phase' => ['warn', 'A conductor has the colour of another phase', 'The next person reads it wrong. Mark it.'],
        'colour-not-convention' => ['note', 'A colour is not the usual one', 'Allowed; write it on the panel.'],
        'hot-on-neutral' => ['stop', 'A hot sits on the neutral bar', 'Everything on that bar becomes live.'],
        'hot-on-ground' => ['stop', 'A hot sits on the ground bar', 'Every metal part becomes live.'],
        'neutral-on-phase' => ['stop', 'The neutral sits on a phase terminal', 'Loads between get line voltage.'],
        'neutral-on-ground' => ['stop', 'The neutral sits on the ground bar', 'Load current flows through metal parts.'],
        'ground-on-phase' => ['stop', 'The ground sits on a phase terminal', 'A dead short, or live metal parts.'],
        'ground-on-neutral-allowed' => ['note', 'Ground and neutral share a bar at the bonding point', 'Allowed at this one place.'],
        'ground-on-neutral-bar' => ['stop', 'The ground sits on the neutral bar', 'In a sub-panel load current then flows over grounds. Move it to a ground bar.'],
        'phases-joined' => ['stop', 'Two phases sit on one terminal', 'A dead short between them.'],
        'high-leg-wrong-terminal' => ['stop', 'The high leg sits on a leg for 120 V', 'Everything on it gets 208 V.'],
        'phase-rolled' => ['warn', 'Every phase sits one terminal on', 'The rotation is right, the names are not: metering and shedding see the wrong phase.'],
        'phase-swapped' => ['warn', 'A phase sits on another\'s terminal', 'Loads may run, but metering, shedding and multiwire circuits see the wrong leg.'],
    ];

    public function answer(Node $input): Answer
    {
        $in = new Fields($input);
        $system = new ColourSystem($in->oneOf('system', ColourSystem::NAMES));
        $functions = $system->functions();
        /** @var list<array{conductor: string, terminal: string, colour: string, reid: ?string, size: ?string}> $landings */
        $landings = array_map(static function (Node $node) use ($functions): array {
            $one = new Fields($node);
            $landing = [
                'conductor' => $one->oneOf('conductor', $functions), 'terminal' => $one->oneOf('terminal', $functions), 'colour' => self::colour($one->oneOf('colour', ColourSystem::COLOURS)),
                'reid' => $one->has('reid') && ! $one->at('reid')->isNull() ? self::colour($one->oneOf('reid', ColourSystem::REID)) : null,
                'size' => WiringFields::maybeSize($one, 'size'),
            ];
            $one->close();

            return $landing;
        }, $in->list('landings', 1, 40));
        $isBondingPoint = $in->bool('bonding_point', false);
        $hasNeutral = $in->bool('neutral_present', true);
        $in->close();

        $findings = new Findings();
        $map = new PhaseMap($system->phases(), $landings);
        $rows = [];
        foreach ($landings as $landing) {
            $flags = [...$this->colours($landing, $system), ...$this->place($landing, $system, $map, $isBondingPoint)];
            sort($flags);
            foreach ($flags as $id) {
                [$severity, $message, $because] = self::SAYS[$id];
                $subject = ["{$landing['conductor']} on {$landing['terminal']}"];
                match ($severity) {
                    'stop' => $findings->stop($id, $message, $because, $subject),
                    'warn' => $findings->warn($id, $message, $because, $subject),
                    default => $findings->note($id, $message, $because, $subject),
                };
            }
            $rows[] = [
                'conductor' => $landing['conductor'], 'terminal' => $landing['terminal'], 'effective_colour' => $landing['reid'] ?? $landing['colour'],
                'expected_colours' => $system->expected()[$landing['conductor']], 'flags' => array_values(array_unique($flags)),
            ];
        }
        $rotation = $map->rotation();
        if ($rotation === 'reversed') {
            $findings->stop('wrong-rotation', 'The phases are the other way round', 'Every motor runs backwards. Change two of them, dead, and check with an instrument.');
        }
        $missing = $this->missing($landings, $system, $hasNeutral, $isBondingPoint, $findings);
        $findings->note('confirm-by-test', 'Colours prove nothing', 'Test dead for identity, and check rotation with an instrument, as the electrician in charge decides.');

        return new Answer(['landings' => $rows, 'rotation' => $rotation, 'missing' => $missing, 'passes' => ! $findings->hasStop()], $findings->all(), []);
    }

    private static function colour(string $name): string
    {
        return $name === 'grey' ? 'gray' : $name;
    }

    /**
     * @param array{conductor: string, terminal: string, colour: string, reid: ?string, size: ?string} $l
     *
     * @return list<string>
     */
    private function colours(array $l, ColourSystem $system): array
    {
        $function = $system->roleOf($l['conductor']);
        $role = $system->role($l['colour']);
        $reid = $l['reid'] === null ? null : $system->role($l['reid']);
        if ($function !== 'G' && $role === 'G') {
            return ['green-not-ground'];
        }
        $flags = [];
        if ($role !== $function) {
            if ($reid === null) {
                $flags[] = 'unmarked-reidentified';
                if ($system->hasTwoAges() && $function !== 'G' && in_array($l['colour'], ['blue', 'black'], true)) {
                    $flags[] = 'old-new-colours-mixed';
                }
            } elseif ($reid !== $function) {
                $flags[] = 'reid-wrong';
            } elseif ($system->isOfNec() && $function !== 'phase' && $l['size'] !== null && ! Sizes::isAtLeast($l['size'], '4')) {
                $flags[] = 'reid-too-small';
            }
        } elseif ($reid !== null && $reid !== $function) {
            $flags[] = 'reid-wrong';
        }
        $effective = $l['reid'] ?? $l['colour'];
        $expected = $system->expected();
        if ($system->role($effective) === $function && ! in_array($effective, $expected[$l['conductor']], true)) {
            $others = array_merge(...array_values(array_intersect_key($expected, array_flip(array_diff($system->phases(), [$l['conductor']])))));
            $flags[] = match (true) {
                $system->hasHighLeg() && $l['conductor'] === 'L2' => 'high-leg-not-orange',
                in_array($effective, $others, true) => 'colour-of-other-phase',
                default => 'colour-not-convention',
            };
        }

        return $flags;
    }

    /**
     * @param array{conductor: string, terminal: string, ...} $l
     *
     * @return list<string>
     */
    private function place(array $l, ColourSystem $system, PhaseMap $map, bool $isBondingPoint): array
    {
        $function = $system->roleOf($l['conductor']);
        $terminal = $system->roleOf($l['terminal']);
        if ($function !== $terminal) {
            return [match ("$function on $terminal") {
                'phase on N' => 'hot-on-neutral',
                'phase on G' => 'hot-on-ground',
                'N on phase' => 'neutral-on-phase',
                'N on G' => 'neutral-on-ground',
                'G on phase' => 'ground-on-phase',
                default => $isBondingPoint ? 'ground-on-neutral-allowed' : 'ground-on-neutral-bar',
            }];
        }
        if ($function !== 'phase') {
            return [];
        }
        $flags = $map->isJoined($l['terminal']) ? ['phases-joined'] : [];
        if ($system->hasHighLeg() && $l['conductor'] === 'L2' && $l['terminal'] !== 'L2') {
            $flags[] = 'high-leg-wrong-terminal';
        }
        if ($l['conductor'] !== $l['terminal'] && ! $map->isJoined($l['terminal'])) {
            $flags[] = $map->isComplete() && $map->isEven() ? 'phase-rolled' : 'phase-swapped';
        }

        return $flags;
    }

    /**
     * @param list<array{conductor: string, ...}> $landings
     *
     * @return list<string>
     */
    private function missing(array $landings, ColourSystem $system, bool $hasNeutral, bool $isBondingPoint, Findings $findings): array
    {
        $missing = [];
        foreach (array_diff($system->functions(), array_column($landings, 'conductor')) as $function) {
            if ($function === 'N' && ! $hasNeutral || $function === 'G' && $isBondingPoint) {
                continue;
            }
            $missing[] = $function;
            match ($function) {
                'N' => $findings->stop('neutral-missing', 'No neutral is landed', 'Loads between the legs divide the voltage by chance, and burn.'),
                'G' => $findings->stop('ground-missing', 'No ground is landed', 'A fault does not open the breaker: metal parts stay live.'),
                default => $findings->warn('phase-missing', "No conductor is landed for $function", 'Half or a third of the loads stays dark.', [$function]),
            };
        }

        return $missing;
    }
}
