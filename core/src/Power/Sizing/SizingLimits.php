<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Sizing;

use Escapement\Core\Input\Tolerance;
use Escapement\Core\Power\LegCurrents;

/** What a source carries: real power, apparent power, and the current of a leg. Rule: docs/rules.md#sizing. */
final readonly class SizingLimits
{
    public function __construct(public float $kw, private float $kva, private float $legA) {}

    public function judge(LegCurrents $c, bool $isAvailable = true): SizingOption
    {
        $shares = [($this->kw - $c->kw) / $this->kw, ($this->kva - $c->kva()) / $this->kva];
        $fits = ! Tolerance::exceeds($c->kw, $this->kw) && ! Tolerance::exceeds($c->kva(), $this->kva);
        foreach ($c->legA as $amps) {
            $shares[] = ($this->legA - $amps) / $this->legA;
            $fits = $fits && ! Tolerance::exceeds($amps, $this->legA);
        }

        return new SizingOption($isAvailable, $c->kw, $c->kva(), $c->legA, $c->imbalancePct, $fits, 100 * min($shares));
    }

    /** Whether one load more fits, its amps added by magnitude: the cautious way. */
    public function carries(LegCurrents $base, LegCurrents $more): bool
    {
        if (Tolerance::exceeds($base->kw + $more->kw, $this->kw)) {
            return false;
        }
        foreach ($base->legA as $leg => $amps) {
            if (Tolerance::exceeds($amps + $more->arithmeticA[$leg], $this->legA)) {
                return false;
            }
        }

        return true;
    }
}
