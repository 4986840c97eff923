<?php

declare(strict_types=1);

namespace Escapement\Core\Power;

use Escapement\Core\Internal\Slack;

/** What a source can carry: kW, kVA and amps a leg. Rule: loads §3. */
final readonly class SizingLimits
{
    public function __construct(private float $kw, private float $kva, private float $legA) {}

    /** @return array{kw: float, kva: float, leg_a: list<float>, imbalance_pct: float, fits: bool, headroom_pct: float} */
    public function judge(LegCurrents $c): array
    {
        $shares = [($this->kw - $c->kw) / $this->kw, ($this->kva - $c->kva()) / $this->kva];
        $fits = ! Slack::exceeds($c->kw, $this->kw) && ! Slack::exceeds($c->kva(), $this->kva);
        foreach ($c->legA as $amps) {
            $shares[] = ($this->legA - $amps) / $this->legA;
            $fits = $fits && ! Slack::exceeds($amps, $this->legA);
        }

        return ['kw' => $c->kw, 'kva' => $c->kva(), 'leg_a' => $c->legA, 'imbalance_pct' => $c->imbalancePct, 'fits' => $fits, 'headroom_pct' => 100 * min($shares)];
    }

    /** Whether one load more fits, its amps added by magnitude: the cautious way. */
    public function carries(LegCurrents $base, LegCurrents $more): bool
    {
        if (Slack::exceeds($base->kw + $more->kw, $this->kw)) {
            return false;
        }
        foreach ($base->legA as $leg => $amps) {
            if (Slack::exceeds($amps + $more->arithmeticA[$leg], $this->legA)) {
                return false;
            }
        }

        return true;
    }
}
