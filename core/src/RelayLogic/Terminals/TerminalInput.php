<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Terminals;

use Escapement\Core\RelayLogic\Play\Across;
use Escapement\Core\RelayLogic\RelayCircuit;
use Escapement\Core\Wiring\Colours\ColourSystem;

/** A circuit that is to be built. Rule: docs/rules.md#terminal-list. */
final readonly class TerminalInput
{
    /** @param array<string, PanelDevice> $devices by device */
    public function __construct(
        public RelayCircuit $circuit,
        public ColourSystem $colours,
        public bool $numbersByRung,
        public float $controlV,
        public float $fuseA,
        public bool $hasRedControl,
        public Across $across,
        public array $devices,
        public ?PanelPower $power,
    ) {}

    public function isNec(): bool
    {
        return str_starts_with($this->colours->name, 'us_');
    }

    /** @return list<string> L1 … N */
    public function conductors(): array
    {
        return $this->circuit->isThreePhase ? ['L1', 'L2', 'L3', 'N'] : ['L1', 'N'];
    }

    public function colour(string $conductor): string
    {
        $expected = $this->colours->expected();
        $function = $conductor === 'N' ? 'N' : $this->colours->phases()[(int) substr($conductor, 1) - 1];

        return $expected[$function][0];
    }
}
