<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\FaultCurrent;

/** The bolted fault at one point. Rule: docs/rules.md#fault-current. */
final readonly class FaultAtPoint
{
    /**
     * @param ?float       $xr    reactance over resistance; null without resistance
     * @param ?float       $llKa  line to line, of a split phase
     * @param ?float       $lnKa  line to neutral, of a split phase
     * @param float        $maxKa with what running motors add
     * @param ?float       $tripKa of a generator, when a breaker should trip
     * @param ?bool        $ok    null where no rating is known
     * @param list<string> $flags in alphabetical order
     */
    public function __construct(
        public string $id,
        public string $from,
        public float $rOhm,
        public float $xOhm,
        public ?float $xr,
        public ?float $llKa,
        public ?float $lnKa,
        public float $symKa,
        public float $maxKa,
        public ?float $tripKa,
        public ?float $sustainedKa,
        public ?bool $ok,
        public array $flags,
    ) {}
}
