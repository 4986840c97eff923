<?php

declare(strict_types=1);

namespace Escapement\Core\Panel\FeederSchedule;

/** An outgoing way with its figures; null where no size fits. */
final readonly class JudgedWay
{
    /** @param list<string> $flags */
    public function __construct(
        public string $id,
        public ?float $breakerA,
        public int $poles,
        public ?string $size,
        public ?string $peSize,
        public ?float $ampacityA,
        public ?float $dropV,
        public ?float $dropPct,
        public ?float $magneticA,
        public ?EarthFault $utility,
        public ?EarthFault $generator,
        public ?float $i2tA2s,
        public ?float $k2s2A2s,
        public ?bool $adiabaticOk,
        public array $flags,
    ) {}
}
