<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring;

/** A vehicle on its cord. Rule: docs/rules.md#mobile-cable. */
final readonly class MobileCableInput
{
    public int $poles;

    /**
     * @param bool                      $is30        one hot of 30 A; else two of 50 A
     * @param float                     $sourceV     volts to neutral
     * @param non-empty-list<CordPiece> $cords       one behind the other
     * @param non-empty-list<float>     $legsA       amperes of each leg
     * @param bool                      $isSingleLeg both legs from one: their neutrals add
     * @param ?int                      $poles       of the breaker; null: as many as there are legs
     * @param float                     $limitPct    drop at most
     * @param list<PlugContact>         $contacts    measured
     */
    public function __construct(
        public bool $is30,
        public float $sourceV,
        public array $cords,
        public array $legsA,
        public float $ocpdA,
        public bool $isSingleLeg = false,
        ?int $poles = null,
        public float $limitPct = 3.0,
        public array $contacts = [],
    ) {
        $this->poles = $poles ?? ($is30 ? 1 : 2);
    }

    /** Legs in phase add up in the neutral, legs of two phases cancel. */
    public function neutralAmps(): float
    {
        $second = $this->legsA[1] ?? 0.0;

        return $this->isSingleLeg ? $this->legsA[0] + $second : abs($this->legsA[0] - $second);
    }
}
