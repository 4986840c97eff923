<?php

declare(strict_types=1);

namespace Escapement\Core\Panel\PhaseBalance;

use Escapement\Core\Input\RelativeTolerance;

/** The whole amperes on the legs when every way has its place. */
final readonly class Assignment
{
    /**
     * @param list<string>         $places by way
     * @param array{int, int, int} $legs
     */
    public function __construct(public array $places, public array $legs, public int $moves) {}

    public function spread(): int
    {
        return max($this->legs) - min($this->legs);
    }

    public function unbalancePct(): float
    {
        return self::unbalanceOf($this->legs);
    }

    /** @param array{int, int, int} $legs */
    public static function unbalanceOf(array $legs): float
    {
        $mean = array_sum($legs) / 3;

        return $mean > 0 ? 100 * max(array_map(static fn(int $leg): float => abs($leg - $mean), $legs)) / $mean : 0.0;
    }

    /** @param array{int, int, int} $legs */
    public static function isWithin(array $legs, float $targetPct): bool
    {
        return RelativeTolerance::isAtLeast($targetPct, self::unbalanceOf($legs));
    }
}
