<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\Colours;

use Escapement\Core\Wiring\Sizes;

/** One conductor on one terminal, as it was found or is to be. Rule: docs/rules.md#colours. */
final readonly class Landing
{
    /**
     * @param string  $conductor its function as a test proved it: a phase, N or G
     * @param string  $terminal  of the same names
     * @param ?string $reid      colour of the tape or sleeve that marks it anew
     */
    public function __construct(
        public string $conductor,
        public string $terminal,
        public string $colour,
        public ?string $reid = null,
        public ?string $size = null,
    ) {}

    /** The first of its words that this system does not have; null when it has all. */
    public function unknownIn(ColourSystem $system): ?string
    {
        $functions = $system->functions();

        return match (true) {
            ! in_array($this->conductor, $functions, true) => 'conductor',
            ! in_array($this->terminal, $functions, true) => 'terminal',
            ! in_array($this->colour, ColourSystem::COLOURS, true) => 'colour',
            $this->reid !== null && ! in_array($this->reid, ColourSystem::REID, true) => 'reid',
            $this->size !== null && ! in_array($this->size, Sizes::AWG, true) => 'size',
            default => null,
        };
    }

    public function effectiveColour(): string
    {
        return $this->reid ?? $this->colour;
    }
}
