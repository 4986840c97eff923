<?php

declare(strict_types=1);

namespace Escapement\Core\Planning;

use Escapement\Core\Wiring\FaultCurrent\FaultAtPoint;

/** What sources push into a bolted fault at one element, and what its devices are rated for. */
final readonly class FaultAtElement
{
    /**
     * @param array<string, FaultAtPoint> $bySource
     * @param bool                        $isWhole  every source that reaches it is known: then the greatest may be judged with
     * @param ?float                      $ratedKa  the lowest interrupting or withstand rating here; null: not known
     */
    public function __construct(
        public string $id,
        public array $bySource,
        public bool $isWhole,
        public ?float $ratedKa,
        public ?float $seriesKa,
    ) {}

    /** The greatest over the sources; null while none is known. */
    public function maxKa(): ?float
    {
        $all = array_map(static fn(FaultAtPoint $point): float => $point->maxKa, array_values($this->bySource));

        return $all === [] ? null : max($all);
    }

    public function verdict(): FaultVerdict
    {
        $maxKa = $this->maxKa();

        return match (true) {
            $maxKa === null || $this->ratedKa === null => FaultVerdict::NotKnown,
            $maxKa > $this->ratedKa && ($this->seriesKa === null || $maxKa > $this->seriesKa) => FaultVerdict::Exceeded,
            ! $this->isWhole => FaultVerdict::NotKnown, // the source nobody knows may push more than the combination breaks
            $maxKa > $this->ratedKa => FaultVerdict::Series,
            default => FaultVerdict::Holds,
        };
    }
}
