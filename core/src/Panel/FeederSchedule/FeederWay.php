<?php

declare(strict_types=1);

namespace Escapement\Core\Panel\FeederSchedule;

/** An outgoing way of a board. */
final readonly class FeederWay
{
    /**
     * @param list<string>  $phases
     * @param 'al'|'cu'     $material
     * @param 'B'|'C'|'D'|null $curve      IEC
     * @param int           $grouped    circuits together, or current-carrying conductors
     * @param ?float        $magneticX  NEC: times the breaker
     * @param float         $disconnectS in which an earth fault must be cleared
     */
    public function __construct(
        public string $id,
        public int $poles,
        public array $phases,
        public float $loadA,
        public float $pf,
        public ?float $breakerA,
        public float $breakingKa,
        public ?float $i2tA2s,
        public float $clearS,
        public float $lengthM,
        public string $material,
        public float $ambientC,
        public ?string $size,
        public ?string $peSize,
        public bool $isShed,
        public ?float $rcdMa,
        public float $disconnectS,
        public ?string $curve,
        public int $insulationC,
        public int $grouped,
        public ?float $magneticX,
        public bool $isContinuous,
    ) {}

    public function magneticA(float $breakerA): float
    {
        return $breakerA * ($this->magneticX ?? ['B' => 5, 'C' => 10, 'D' => 20][$this->curve ?? 'C']);
    }
}
