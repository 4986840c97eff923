<?php

declare(strict_types=1);

namespace Escapement\Core\Topology;

/** What an element can break, and what it may have to, in kA; null where it is not known. Rule: docs/rules.md#topology. */
final readonly class FaultRatings
{
    /**
     * @param int|float|null $aicKa     of a disconnect, or the lowest of a panel's breakers
     * @param int|float|null $mainAicKa of its main
     * @param int|float|null $seriesKa  tested combination with the device ahead, as marked
     * @param int|float|null $faultKa   available at its terminals
     */
    public function __construct(
        public int|float|null $aicKa = null,
        public int|float|null $mainAicKa = null,
        public int|float|null $seriesKa = null,
        public int|float|null $faultKa = null,
    ) {}
}
