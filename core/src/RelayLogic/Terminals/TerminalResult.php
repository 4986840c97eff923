<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Terminals;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\WorkingLine;

/** From the diagram to the bench. Rule: docs/rules.md#terminal-list. */
final readonly class TerminalResult
{
    /**
     * @param list<Wire>                                                                                $wires
     * @param list<array{terminal: string, number: string, inside: list<string>, outside: list<string>}> $strip
     * @param list<array<string, mixed>>                                                                $crossReference
     * @param list<array{part: string, qty: int}>                                                       $parts
     * @param list<array{state: string, by_hand: bool, closed: list<string>}>                           $continuity
     * @param list<Finding>                                                                             $findings
     * @param list<WorkingLine>                                                                         $working
     */
    public function __construct(
        public array $wires,
        public array $strip,
        public array $crossReference,
        public array $parts,
        public array $continuity,
        public string $controlSize,
        public string $fieldSize,
        public ?string $powerSize,
        public array $findings,
        public array $working,
    ) {}
}
