<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\FaultCurrent;

use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Working;
use Escapement\Core\Input\RelativeTolerance;
use Escapement\Core\Wiring\WiringFields;

/**
 * The current that a bolted fault draws at each enclosure, point to point: what a breaker must be able to break, what a switch
 * must withstand, and whether a generator's fault current trips anything. Arcs are not covered. Rule: docs/rules.md#fault-current.
 */
final readonly class FaultCurrent
{
    /** Running motors feed a fault with about four times their rated current. */
    private const MOTOR_FACTOR = 4;

    /** Reactance over resistance at which devices of these ratings were tested. */
    private const TESTED_XR = [10 => 1.73, 20 => 3.18];
    private const TESTED_XR_ABOVE = 4.9;

    /** Below this many times its rating a breaker waits on its thermal part. */
    private const SURE_TRIP = 3;

    public function judge(FaultCurrentInput $in): FaultCurrentResult
    {
        $findings = new Findings();
        $working = new Working();
        $source = $in->source->ohms($in->circuit);
        $none = new FaultPath();
        $paths = ['source' => $none];
        $points = [];
        foreach ($in->points as $point) {
            $path = $paths[$point->from] ?? throw new \LogicException("No earlier point is called $point->from.");
            $paths[$point->id] = $path = $point->run === null ? $path : $path->plus($point->run, $in);
            $points[] = $one = $this->at($point, $path, $in, $source);
            foreach ($one->flags as $flag) {
                $figures = [
                    'max_ka' => $one->maxKa,
                    'aic_ka' => $point->aicKa,
                    'xr' => $one->xr,
                    'trip_ka' => $one->tripKa,
                    'sustained_ka' => $one->sustainedKa,
                ];
                $findings->raise("fault-current/$flag", $figures, [$point->id]);
            }
            $working->add(
                "Fault at $point->id",
                sprintf('%.4g V / |%.4g + j%.4g Ω|', $in->circuit->drivingV(), $one->rOhm, $one->xOhm),
                $one->symKa,
                'kA',
            );
        }
        if ($in->source instanceof Transformer && $in->source->primaryMva === null) {
            $findings->raise('infinite-primary');
        }
        if ($in->motorFlaA > 0) {
            $findings->raise('motor-contribution', ['motor_ka' => self::MOTOR_FACTOR * $in->motorFlaA / 1000]);
        }
        $findings->raise('bolted-only');
        WiringFields::confirm($findings);

        return new FaultCurrentResult(
            $in->source->ratedA($in->circuit),
            $this->symmetric($none, $in, $source)[0],
            $points,
            ! $findings->hasStop(),
            $findings->worstFirst(),
            $working->lines,
        );
    }

    private function at(FaultPoint $point, FaultPath $path, FaultCurrentInput $in, Impedance $source): FaultAtPoint
    {
        [$symKa, $llKa, $lnKa] = $this->symmetric($path, $in, $source);
        $loop = $path->line->times($in->circuit->loops());
        $total = $source->plus($loop);
        $xr = $total->r === 0.0 ? null : $total->x / $total->r;
        $maxKa = $symKa + self::MOTOR_FACTOR * $in->motorFlaA / 1000;
        $generator = $in->source instanceof GeneratorFault ? $in->source : null;
        $tripKa = $generator?->tripKa($in->circuit, $loop);
        $sustainedKa = $generator?->sustainedKa($in->circuit, $loop);
        $flags = [
            ...$this->rating($point, $maxKa, $generator === null ? $xr : null),
            ...($tripKa === null || $sustainedKa === null ? [] : $this->trip($point, $tripKa, $sustainedKa)),
        ];
        sort($flags);
        $isOk = $point->aicKa === null ? null : ! in_array('interrupting-rating-exceeded', $flags, true);

        return new FaultAtPoint(
            $point->id,
            $point->from,
            $total->r,
            $total->x,
            $xr,
            $llKa,
            $lnKa,
            $symKa,
            $maxKa,
            $tripKa,
            $sustainedKa,
            $isOk,
            $flags,
        );
    }

    /** @return array{float, ?float, ?float} the largest, line to line, line to neutral, in kA; the latter two of a split phase only */
    private function symmetric(FaultPath $path, FaultCurrentInput $in, Impedance $source): array
    {
        $circuit = $in->circuit;
        $ka = $circuit->drivingV() / $source->plus($path->line->times($circuit->loops()))->size() / 1000;
        if (! $circuit->isSplit()) {
            return [$ka, null, null];
        }
        $lnKa = $circuit->v / 2 / $source->times(1 / (2 * $in->source->lnFactor()))->plus($path->lineAndNeutral)->size() / 1000;

        return [max($ka, $lnKa), $ka, $lnKa];
    }

    /**
     * @param ?float $xr null of a generator
     *
     * @return list<string>
     */
    private function rating(FaultPoint $point, float $maxKa, ?float $xr): array
    {
        if ($point->aicKa === null) {
            return ['interrupting-rating-unknown'];
        }
        $flags = [];
        if (RelativeTolerance::isOver($maxKa, $point->aicKa)) {
            $holds = $point->seriesKa !== null && RelativeTolerance::isAtLeast($point->seriesKa, $maxKa);
            $flags[] = $holds ? 'series-rating-used' : 'interrupting-rating-exceeded';
        }
        if ($xr !== null && RelativeTolerance::isOver($xr, self::testedXr($point->aicKa))) {
            $flags[] = 'xr-above-test';
        }

        return $flags;
    }

    /** @return list<string> */
    private function trip(FaultPoint $point, float $tripKa, float $sustainedKa): array
    {
        $isSlow = $point->instantaneousA === null || RelativeTolerance::isOver($point->instantaneousA, 1000 * $tripKa);
        $flags = $point->instantaneousA !== null && $isSlow ? ['no-instantaneous-trip'] : [];
        if ($point->ratingA !== null && $isSlow && RelativeTolerance::isOver(self::SURE_TRIP * $point->ratingA, 1000 * $sustainedKa)) {
            $flags[] = 'fault-may-not-trip';
        }

        return $flags;
    }

    private static function testedXr(float $aicKa): float
    {
        foreach (self::TESTED_XR as $most => $xr) {
            if (RelativeTolerance::isAtLeast($most, $aicKa)) {
                return $xr;
            }
        }

        return self::TESTED_XR_ABOVE;
    }
}
