<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Restart;

use Escapement\Core\Input\Tolerance;

/** The return of shed loads played slot by slot, at most one load in each. Rule: docs/rules.md#step-sequence. */
final class RestartPlay
{
    /** @var list<RestartStep> */
    private array $steps = [];
    /** @var array<string, 'kw'|'start'> why a load stays off */
    private array $reasons = [];
    /** @var list<RestartLoad> */
    private array $waiting;
    private float $runningKw;

    private function __construct(private readonly StepSequenceInput $in)
    {
        $this->runningKw = $in->baseKw;
        foreach ($in->ordered() as $load) {
            if (Tolerance::exceeds($in->dipPct($load->startKva), $in->dipLimitPct)
                || $in->maxStartKva !== null && Tolerance::exceeds($load->startKva, $in->maxStartKva)) {
                $this->reasons[$load->id] = 'start';
            }
        }
        $this->waiting = array_values(array_filter($in->ordered(), fn(RestartLoad $load): bool => ! isset($this->reasons[$load->id])));
    }

    /** @return array{list<RestartStep>, array<string, 'kw'|'start'>, float} the steps, why others stay off, and the kW that run then */
    public static function of(StepSequenceInput $in): array
    {
        $play = new self($in);
        for ($slot = 0; $play->waiting !== []; $slot++) {
            $play->dropWhatNeverFits();
            $soonestS = $play->slot($in->firstStepS + $slot * $in->stepS);
            if ($soonestS < INF) { // nothing happens before the first lock-out ends: no need to look at every slot until then
                $slot = max($slot, (int) floor(($soonestS - $in->firstStepS) / $in->stepS) - 2);
            }
        }

        return [$play->steps, $play->reasons, $play->runningKw];
    }

    private function dropWhatNeverFits(): void
    {
        foreach ($this->waiting as $load) {
            if ($load->kw > 0 && Tolerance::exceeds($this->runningKw + $load->kw, $this->in->usableKw)) {
                $this->reasons[$load->id] = 'kw';
            }
        }
        $this->waiting = array_values(array_filter($this->waiting, fn(RestartLoad $load): bool => ! isset($this->reasons[$load->id])));
    }

    /**
     * The first load that may start and leaves room for those before it which are still locked out.
     *
     * @return float seconds until the next lock-out ends where none could start; infinite where one did, or none is locked out
     */
    private function slot(float $atS): float
    {
        $heldKw = 0.0;
        $soonestS = INF;
        foreach ($this->waiting as $load) {
            $freeAtS = $load->lockoutS - $this->in->darkS;
            if (Tolerance::exceeds($freeAtS, $atS)) {
                $heldKw += $load->kw;
                $soonestS = min($soonestS, $freeAtS);
                continue;
            }
            if ($load->kw === 0.0 || ! Tolerance::exceeds($this->runningKw + $heldKw + $load->kw, $this->in->usableKw)) {
                $this->runningKw += $load->kw;
                $this->steps[] = new RestartStep($atS, $load, $this->in->dipPct($load->startKva), $this->runningKw);
                $this->waiting = array_values(array_filter($this->waiting, static fn(RestartLoad $other): bool => $other !== $load));

                return INF;
            }
        }

        return $soonestS;
    }
}
