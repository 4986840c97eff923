<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\Wiring;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\Wire\InputReader;
use Escapement\Core\Wire\ResultWriter;
use Escapement\Core\Wiring\Colours\Colours;
use Escapement\Core\Wiring\Colours\ColoursInput;
use Escapement\Core\Wiring\Colours\ColourSystem;
use Escapement\Core\Wiring\Colours\Landing;
use Escapement\Core\Wiring\Sizes;

/** `colours` on the wire. Rule: docs/rules.md#colours. */
final readonly class ColoursReader implements InputReader
{
    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function answer(Node $node): array
    {
        return ResultWriter::write((new Colours())->judge($this->input($node)));
    }

    /** @throws BadInput */
    public function input(Node $node): ColoursInput
    {
        $in = new Fields($node);
        $system = new ColourSystem($in->oneOf('system', ColourSystem::NAMES));
        $in->only(['system', 'bonding_point', 'neutral_present', 'several_systems', 'landings']);
        $isBondingPoint = $in->bool('bonding_point', false);
        $hasNeutral = $in->bool('neutral_present', true);
        $hasSeveralSystems = $in->bool('several_systems', false);
        $landings = [];
        foreach ($in->list('landings', 1, 40) as $item) {
            $landings[] = $this->landing(new Fields($item), $system);
        }

        return new ColoursInput($system, $landings, $isBondingPoint, $hasNeutral, $hasSeveralSystems);
    }

    private function landing(Fields $in, ColourSystem $system): Landing
    {
        $in->only(['conductor', 'terminal', 'colour', 'reid', 'size']);

        return new Landing(
            $in->oneOf('conductor', $system->functions()),
            $in->oneOf('terminal', $system->functions()),
            self::colour($in->oneOf('colour', ColourSystem::COLOURS)),
            $in->has('reid') && ! $in->at('reid')->isNull() ? self::colour($in->oneOf('reid', ColourSystem::REID)) : null,
            $in->maybeOneOf('size', Sizes::AWG),
        );
    }

    private static function colour(string $name): string
    {
        return $name === 'grey' ? 'gray' : $name;
    }
}
