<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Play;

use Escapement\Core\Input\RelativeTolerance;

/** The latches of a phase relay: what it found wrong and has not yet found right again. Rule: docs/rules.md#relay-play. */
final class PhaseWatch
{
    private const REASONS = ['loss', 'sequence', 'under', 'over', 'unbalance'];

    /** @var array<string, bool> by latch, those per channel with its number */
    private array $latched = [];

    public function __construct(private readonly PhaseRelayDial $dial, private readonly bool $isThreePhase) {}

    /**
     * @param non-empty-list<float> $v        line to neutral, per phase
     * @param 'abc'|'acb'           $rotation
     */
    public function see(array $v, float $nominalV, string $rotation): void
    {
        $channels = $this->dial->measuresLines
            ? array_map(static fn(Across $across): float => $across->pct($v, $nominalV), Across::lines())
            : array_map(static fn(float $one): float => 100 * $one / $nominalV, $v);
        foreach ($channels as $i => $pct) {
            $this->below("under:$i", $pct, $this->dial->underPct);
            $this->below("loss:$i", $pct, $this->dial->lossPct);
            $this->above("over:$i", $pct, $this->dial->overPct, (float) $this->dial->overPct - $this->dial->hysteresisPct);
        }
        if (! $this->isThreePhase) {
            return;
        }
        $mean = array_sum($channels) / count($channels);
        if ($mean > 0) {
            $away = max(array_map(static fn(float $pct): float => abs($pct - $mean), $channels));
            $limit = $this->dial->unbalancePct;
            $this->above('unbalance:0', 100 * $away / $mean, $limit, max(0.0, (float) $limit - $this->dial->unbalanceHysteresisPct));
        }
        $isBlind = $this->dial->lossPct === null ? min($channels) === 0.0 : $this->has('loss');
        if ($this->dial->watchesSequence && ! $isBlind) {
            $this->latched['sequence:0'] = $rotation === 'acb';
        }
    }

    public function isGood(): bool
    {
        return ! in_array(true, $this->latched, true);
    }

    /** Whether what it found lets it trip at once. */
    public function isLost(): bool
    {
        return $this->has('loss') || $this->has('sequence');
    }

    public function reason(): string
    {
        foreach (self::REASONS as $reason) {
            if ($this->has($reason)) {
                return $reason;
            }
        }

        return 'held';
    }

    private function has(string $latch): bool
    {
        foreach ($this->latched as $name => $isSet) {
            if ($isSet && str_starts_with($name, "$latch:")) {
                return true;
            }
        }

        return false;
    }

    private function below(string $latch, float $pct, ?float $limit): void
    {
        if ($limit === null) {
            return;
        }
        if (RelativeTolerance::isOver($limit, $pct)) {
            $this->latched[$latch] = true;
        } elseif (RelativeTolerance::isAtLeast($pct, $limit + $this->dial->hysteresisPct)) {
            $this->latched[$latch] = false;
        }
    }

    private function above(string $latch, float $pct, ?float $limit, float $clearsAt): void
    {
        if ($limit === null) {
            return;
        }
        if (RelativeTolerance::isOver($pct, $limit)) {
            $this->latched[$latch] = true;
        } elseif (RelativeTolerance::isAtLeast($clearsAt, $pct)) {
            $this->latched[$latch] = false;
        }
    }
}
