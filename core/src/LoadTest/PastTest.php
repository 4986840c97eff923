<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

use Escapement\Core\Input\Tolerance;

/** One load test of the past, with the figures that are followed. */
final readonly class PastTest
{
    private const LOAD_POINTS = 10;
    private const STEP_SHARE = 0.1;

    /** @param array<string, ?float> $figures by their names on the wire */
    public function __construct(
        public string $date,
        public string $verdict,
        public string $fuel,
        public float $loadPct,
        public array $figures,
        public ?float $stepKw,
    ) {}

    /** On the same fuel, under about the same load. */
    public function isLike(self $reference): bool
    {
        return $this->fuel === $reference->fuel && ! Tolerance::exceeds(abs($this->loadPct - $reference->loadPct), self::LOAD_POINTS);
    }

    public function hasStepLike(self $reference): bool
    {
        return $this->stepKw !== null && $reference->stepKw !== null
            && ! Tolerance::exceeds(abs($this->stepKw - $reference->stepKw), self::STEP_SHARE * $reference->stepKw);
    }
}
