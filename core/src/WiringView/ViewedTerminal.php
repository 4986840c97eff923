<?php

declare(strict_types=1);

namespace Escapement\Core\WiringView;

/** A terminal with what sits on it. Rule: docs/rules.md#wiring-view. */
final readonly class ViewedTerminal
{
    /**
     * @param 'bar'|'control'|'lug' $kind
     * @param ?string               $node       port of the enclosure; null for neutral, ground and controls
     * @param list<string>          $conductors ids by slot; of a control its wires
     * @param list<string>          $legs       distinct: phases, then N, G
     */
    public function __construct(
        public string $id,
        public string $kind,
        public ?string $leg,
        public ?string $node,
        public int $row,
        public int $column,
        public array $conductors,
        public array $legs,
        public ?int $wiresMax,
    ) {}
}
