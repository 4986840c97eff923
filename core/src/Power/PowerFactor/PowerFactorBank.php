<?php

declare(strict_types=1);

namespace Escapement\Core\Power\PowerFactor;

use Escapement\Core\Finding\Working;
use Escapement\Core\Input\Tolerance;
use Escapement\Core\Wiring\StandardSizes;

/**
 * Which capacitor stages bring the power factor up without passing it, and that the bank meets no generator, no charged can and no
 * resonance. Rule: docs/rules.md#power-factor-bank.
 */
final readonly class PowerFactorBank
{
    public function choose(BankInput $in): BankResult
    {
        [$total, $chosen] = (new StageChoice($in))->chosen();
        $net = $in->kvar() - $total;
        $after = hypot($in->kw, $net);
        $order = $in->systemKva === null || ! Tolerance::exceeds($total, 0) ? null : sqrt($in->systemKva / $total);
        $generator = $in->generator === null ? null : $this->onGenerator($in, $in->generator, $total);
        $working = new Working();
        $atTarget = $in->kvar() - $in->neededKvar();
        $working->add('Needed', sprintf('%.5g kvar − %.5g kvar at the target', $in->kvar(), $atTarget), $in->neededKvar(), 'kvar');
        $working->add('Power factor after', sprintf('%.5g kW ÷ √(kW² + (%.5g kvar)²)', $in->kw, $net), $in->kw / $after, '');
        $perA = 1000 / (sqrt(3) * $in->vLl);

        return new BankResult(
            $in->neededKvar(),
            $chosen,
            $total,
            $in->kw / $after,
            $net,
            Tolerance::isBelow($net, 0),
            $perA * hypot($in->kw, $in->kvar()),
            $perA * $after,
            $in->dischargeS,
            $order,
            array_map(fn(CapacitorStage $stage): array => $this->stage($stage, $in), $in->stages()),
            $generator,
            (new BankFindings($in))->all($total, $in->kw / $after, $net, $order, $generator),
            $working->lines,
        );
    }

    /** @return array{name: string, kvar: float, a: float, conductor_a: float, breaker_a: ?int} */
    private function stage(CapacitorStage $stage, BankInput $in): array
    {
        $kvar = $stage->kvarAt($in->vLl);
        $a = 1000 * $kvar / (sqrt(3) * $in->vLl);

        return [
            'name' => $stage->name, 'kvar' => $kvar, 'a' => $a, 'conductor_a' => $a * $in->conductorFactor,
            'breaker_a' => StandardSizes::next($a * $in->breakerFactor),
        ];
    }

    private function onGenerator(BankInput $in, BankGenerator $generator, float $total): OnGenerator
    {
        $load = $generator->loadKvar();
        $allPct = 100 * max(0.0, $total - $load) / $generator->ratedKva;
        $isOut = Tolerance::exceeds($total, 0)
            && ($generator->isAlwaysOff || Tolerance::exceeds($allPct, $generator->leadingLimitPct));
        $on = match (true) {
            ! $isOut => $total,
            $in->fixed !== null && ! $in->fixed->isSwitchable => $in->fixedKvar(),
            default => 0.0,
        };
        $leading = max(0.0, $on - $load);

        return new OnGenerator(
            $load,
            $allPct,
            $isOut,
            $on,
            $leading,
            100 * $leading / $generator->ratedKva,
            Tolerance::exceeds($on, 0) ? sqrt($generator->ratedKva / $generator->xPu / $on) : null,
        );
    }
}
