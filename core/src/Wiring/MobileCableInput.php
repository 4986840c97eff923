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
}
