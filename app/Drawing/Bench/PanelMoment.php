<?php

declare(strict_types=1);

namespace App\Drawing\Bench;

/** What the picture of a front panel shows at one moment. */
final readonly class PanelMoment
{
    /**
     * @param int                                                     $legs       1 to 3
     * @param array{string, string}                                   $names      of the two sources
     * @param array{list<float>, list<float>}                         $volts      at their terminals, by leg
     * @param array{float, float}                                     $hertz
     * @param bool                                                    $isSecondGenerator a set rather than another supply
     * @param array{bool, bool}                                       $isClosed   disconnect of the first, breaker of the second
     * @param 'normal'|'off'|'emergency'                              $position
     * @param list<array{name: string, kw: float, isOn: bool}>        $loads
     * @param ?array{float, float}                                    $bankKw     on, and in all; null: there is none
     */
    public function __construct(
        public int $legs,
        public array $names,
        public array $volts,
        public array $hertz,
        public bool $isSecondGenerator,
        public array $isClosed,
        public string $position,
        public bool $isMoving,
        public array $loads,
        public ?array $bankKw,
        public bool $isPanelMainClosed,
        public string $switchName,
    ) {}
}
