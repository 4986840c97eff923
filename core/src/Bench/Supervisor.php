<?php

declare(strict_types=1);

namespace Escapement\Core\Bench;

/**
 * What happens to a set that nobody looks after, as ordinary inputs of the script, so that a replay needs no such rules: an empty tank
 * blocks the fuel, a minute of overload trips the breaker, a battery that folds while cranking fails the attempt. Looked at once a
 * second while the engine is at work, and not while it stands. Rule: docs/rules.md#bench-live.
 */
final class Supervisor
{
    private const LOOK_MS = 1000;
    private const OVERLOAD = 1.1;
    private const OVERLOAD_MS = 60_000;
    private const FOLDS_V = 10.0;
    private const TWELVE = 12.0;

    private ?int $overSinceMs = null;
    private bool $isFolded = false;

    public function __construct(private readonly BenchGenerator $set) {}

    /** The next moment to look at, not after another one; while the engine stands only when something happens to it. */
    public function next(LiveBench $bench, int $untilMs): int
    {
        $engine = $bench->motion->state->engine;
        $isAtWork = $engine !== 'stopped' && $engine !== 'locked_out';
        $now = $bench->nowMs();

        return min($untilMs, $isAtWork ? $now - $now % self::LOOK_MS + self::LOOK_MS : max($now + 1, $bench->motion->nextMs()));
    }

    /**
     * @param array<string, mixed> $sample of this moment
     *
     * @return list<array<string, mixed>> inputs of `bench_play` without their time
     */
    public function look(array $sample, int $nowMs, bool $isBlocked, bool $isBreakerClosed): array
    {
        return [
            ...($this->isOverloaded($sample, $nowMs, $isBreakerClosed) ? [['do' => 'generator_breaker', 'closed' => false]] : []),
            ...(($sample['fuel_pct'] ?? null) === 0.0 && ! $isBlocked ? [['do' => 'fuel', 'blocked' => true]] : []),
            ...($this->folds($sample) ? [['do' => 'crank_failures', 'count' => 1]] : []),
        ];
    }

    /** @param array<string, mixed> $sample */
    private function isOverloaded(array $sample, int $nowMs, bool $isBreakerClosed): bool
    {
        $generator = is_array($sample['generator'] ?? null) ? $sample['generator'] : [];
        $kw = is_numeric($generator['kw'] ?? null) ? (float) $generator['kw'] : 0.0;
        $this->overSinceMs = $kw > self::OVERLOAD * $this->set->ratedKw ? $this->overSinceMs ?? $nowMs : null;
        if ($this->overSinceMs !== null && $nowMs - $this->overSinceMs >= self::OVERLOAD_MS && $isBreakerClosed) {
            $this->overSinceMs = null;

            return true;
        }

        return false;
    }

    /**
     * Once an attempt.
     *
     * @param array<string, mixed> $sample
     */
    private function folds(array $sample): bool
    {
        $isCranking = ($sample['engine'] ?? null) === 'cranking';
        $battery = is_numeric($sample['battery_v'] ?? null) ? (float) $sample['battery_v'] : (float) $this->set->nominalV;
        $volts = $battery * self::TWELVE / $this->set->nominalV;
        $folds = $isCranking && $volts < self::FOLDS_V;
        $isNew = $folds && ! $this->isFolded;
        $this->isFolded = $isCranking && ($folds || $this->isFolded);

        return $isNew;
    }
}
