<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Rating;

use Escapement\Core\Input\BadInput;

/** Battery stations, all alike, that feed together. Rule: docs/rules.md#source-rating. */
final readonly class InverterRatingInput
{
    public const OUTPUTS = ['single_120', 'split_240', 'single_230'];

    public float $surgeKw;

    /**
     * @param float                                 $vLn          volts to neutral
     * @param float                                 $continuousKw of one station
     * @param ?float                                $surgeKw      of one; null: no more than it gives continuously
     * @param float                                 $batteryKwh   of one
     * @param float                                 $extraKwh     of batteries beside them
     * @param float                                 $depth        of discharge, 0 to 1
     * @param float                                 $efficiency   0 to 1
     * @param 'single_120'|'single_230'|'split_240' $output
     * @param ?float                                $outletA      what its outlet carries
     * @param ?float                                $legKw        what one leg of one station gives
     *
     * @throws BadInput where figures of the plate contradict one another
     */
    public function __construct(
        public float $vLn,
        public float $continuousKw,
        ?float $surgeKw = null,
        public float $batteryKwh = 0.0,
        public int $count = 1,
        public float $extraKwh = 0.0,
        public float $depth = 0.9,
        public float $efficiency = 0.9,
        public string $output = 'split_240',
        public ?float $outletA = null,
        public ?float $legKw = null,
        public bool $needs240 = false,
    ) {
        $this->surgeKw = $surgeKw ?? $continuousKw;
        if ($this->surgeKw < $continuousKw) {
            throw new BadInput('/inverter/surge_kw', 'A surge cannot be less than what it gives continuously.');
        }
        if ($legKw !== null && $output !== 'split_240') {
            throw new BadInput('/inverter/leg_kw', 'Only an output of two legs has a rating by leg.');
        }
    }

    public function isSplit(): bool
    {
        return $this->output === 'split_240';
    }
}
