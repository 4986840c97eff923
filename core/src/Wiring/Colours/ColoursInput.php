<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\Colours;

use Escapement\Core\Input\BadInput;

/** The landings of one enclosure in the colours of its system. Rule: docs/rules.md#colours. */
final readonly class ColoursInput
{
    /**
     * @param list<Landing> $landings
     * @param bool                    $isBondingPoint    neutral and ground are joined here on purpose
     * @param bool                    $hasSeveralSystems the premises have more than one nominal voltage system
     *
     * @throws BadInput at the first word that the system does not know
     */
    public function __construct(
        public ColourSystem $system,
        public array $landings,
        public bool $isBondingPoint = false,
        public bool $hasNeutral = true,
        public bool $hasSeveralSystems = false,
    ) {
        foreach ($landings as $i => $landing) {
            $key = $landing->unknownIn($system);
            if ($key !== null) {
                throw new BadInput("/landings/$i/$key", 'This is not a word of this system.');
            }
        }
    }
}
