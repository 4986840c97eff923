<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Story;

/** A circuit as it stands at one moment: what a ladder of it shows. Rule: docs/rules.md#relay-check. */
final readonly class CircuitMoment
{
    /**
     * @param array<string, bool>   $alive     by supply
     * @param array<string, int>    $values    of the devices that move: 0 at rest, 1 in travel, 2 picked; of a motor changeover I, 0, II
     * @param list<string>          $pressed   push-buttons
     * @param array<string, bool>   $closed    by contact
     * @param array<string, bool>   $energised by coil, lamps among them
     * @param array<string, bool>   $called    by start
     * @param array<string, string> $mains     supply of each main contact that is closed
     */
    public function __construct(
        public array $alive,
        public array $values,
        public ?string $selector,
        public array $pressed,
        public bool $isHandleIn,
        public array $closed,
        public array $energised,
        public array $called,
        public array $mains,
    ) {}

    public function areBothClosed(): bool
    {
        return count($this->mains) > 1;
    }
}
