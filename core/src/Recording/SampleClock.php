<?php

declare(strict_types=1);

namespace Escapement\Core\Recording;

/** When a sample was taken: from the sampling rates, which are exact, or from its time stamp where there are none. */
final class SampleClock
{
    private int $segment = 0;
    private float $segmentFromMs = 0.0;
    private int $segmentFirst = 1;
    private float $beforeMs = -INF;

    public function __construct(private readonly ComtradeConfig $config) {}

    /** @param int $number of the sample, from 1; to be asked in order */
    public function ms(int $number, float $stamp): float
    {
        if ($this->config->isByTimeStamp()) {
            $ms = $stamp * $this->config->timeFactor / 1000;
            if ($ms < $this->beforeMs) {
                throw RecordingFault::whole("Data: sample $number is stamped earlier than the one before it.");
            }

            return $this->beforeMs = $ms;
        }
        $rates = $this->config->rates;
        while ($number > $rates[$this->segment]['last'] && isset($rates[$this->segment + 1])) {
            $this->segmentFromMs += ($rates[$this->segment]['last'] - $this->segmentFirst + 1) * 1000 / $rates[$this->segment]['rate'];
            $this->segmentFirst = $rates[$this->segment]['last'] + 1;
            $this->segment++;
        }

        return $this->segmentFromMs + ($number - $this->segmentFirst) * 1000 / $rates[$this->segment]['rate'];
    }
}
