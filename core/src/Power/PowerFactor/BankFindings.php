<?php

declare(strict_types=1);

namespace Escapement\Core\Power\PowerFactor;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Severity;
use Escapement\Core\Input\Tolerance;

/** What stands against a capacitor bank. Rule: docs/rules.md#power-factor-bank. */
final readonly class BankFindings
{
    private const HARMONICS = [3, 5, 7, 11, 13];
    private const NEAR = 0.1;
    private const NONLINEAR_PCT = 20;
    private const TARGET_SLACK = 0.005;
    private const OVERVOLTAGE = 1.1;

    private Findings $findings;

    public function __construct(private BankInput $in)
    {
        $this->findings = new Findings();
    }

    /** @return list<Finding> */
    public function all(float $total, float $pfAfter, float $net, ?float $order, ?OnGenerator $generator): array
    {
        if ($generator !== null && $this->in->generator !== null) {
            $this->onGenerator($generator, $this->in->generator);
        }
        $hasBank = Tolerance::exceeds($this->in->wholeKvar(), 0);
        $reconnect = $this->in->reconnectS;
        if ($reconnect !== null && Tolerance::isBelow($reconnect, $this->in->dischargeS)) {
            $this->findings->raise('reconnect-short', ['reconnect' => $reconnect, 'discharge' => $this->in->dischargeS]);
        } elseif ($reconnect === null && $hasBank) {
            $this->findings->raise('reconnect-unknown');
        }
        $this->overvoltage();
        $this->harmonics($total, [$order, $generator?->resonanceOrder]);
        $isLeading = Tolerance::isBelow($net, 0);
        if (! $isLeading && Tolerance::isBelow($pfAfter, $this->in->targetPf - self::TARGET_SLACK)) {
            $this->findings->raise('target-not-reached', ['pf' => $pfAfter]);
        }
        if (Tolerance::exceeds($this->in->fixedKvar(), $this->in->neededKvar())) {
            $this->findings->raise('fixed-overshoots');
        }
        if ($isLeading) {
            $this->findings->raise('leading-at-load');
        }
        if ($hasBank) {
            $this->findings->raise('power-factor-bank/stored-energy', ['discharge' => $this->in->dischargeS]);
        }

        return $this->findings->worstFirst();
    }

    private function onGenerator(OnGenerator $on, BankGenerator $generator): void
    {
        if (Tolerance::exceeds($on->leadingPct, $generator->leadingLimitPct)) {
            $this->findings->raise('bank-on-generator', ['pct' => $on->leadingPct]);
        } elseif (Tolerance::exceeds($on->leadingKvar, 0)) {
            $this->findings->raise('leading-on-generator');
        }
        if ($on->lockedOut && Tolerance::exceeds($on->onKvar, 0)) {
            $this->findings->raise('fixed-not-switched');
        }
        if ($on->lockedOut) {
            $this->findings->raise('lock-out');
        }
    }

    private function overvoltage(): void
    {
        $over = [];
        $isStop = false;
        foreach ($this->in->stages() as $stage) {
            if (Tolerance::exceeds($this->in->vLl, $stage->ratedV)) {
                $over[] = $stage->name;
                $isStop = $isStop || Tolerance::exceeds($this->in->vLl, self::OVERVOLTAGE * $stage->ratedV);
            }
        }
        if ($over !== []) {
            $severity = $isStop ? Severity::Stop : Severity::Warn;
            $this->findings->raise('stage-overvoltage', ['which' => implode(', ', $over)], $over, $severity);
        }
    }

    /** @param list<?float> $orders */
    private function harmonics(float $total, array $orders): void
    {
        if ($this->in->isDetuned) {
            return;
        }
        foreach (array_filter($orders, is_float(...)) as $order) {
            foreach (self::HARMONICS as $n) {
                if (! Tolerance::exceeds(abs($order - $n), self::NEAR * $n)) {
                    $this->findings->raise('resonance', ['order' => $order]);
                }
            }
        }
        if (Tolerance::exceeds($this->in->nonlinearPct, self::NONLINEAR_PCT) && Tolerance::exceeds($total, 0)) {
            $this->findings->raise('harmonics');
        }
    }
}
