<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule\Logbook;

/** Fuel that is gone against what the runs should have burnt. Rule: docs/rules.md#logbook-summary. */
final class FuelAccount
{
    public readonly float $filled;
    public readonly ?float $used;
    public readonly ?float $expected;
    public readonly ?float $ratio;

    public function __construct(private readonly LogbookInput $in)
    {
        $amount = static fn(LogEntry $one): float => $one->kind === 'fuel_fill' ? $one->amount : 0.0;
        $this->filled = array_sum(array_map($amount, $in->inPeriod()));
        $stretch = Stretch::of($in, 'fuel_level');
        $this->used = match (true) {
            $stretch === null => null,
            $in->isNaturalGas => $stretch->last->amount - $stretch->first->amount,
            default => $stretch->first->amount + array_sum(array_map($amount, $stretch->between)) - $stretch->last->amount,
        };
        $this->expected = $stretch === null ? null : array_sum(array_map($this->burnt(...), $stretch->between));
        $this->ratio = $this->used === null || $this->expected === null || $this->expected <= 0 ? null : $this->used / $this->expected;
    }

    /** @return array{filled: float, used: ?float, expected: ?float, ratio: ?float} litres, or cubic metres of natural gas */
    public function toArray(): array
    {
        return ['filled' => $this->filled, 'used' => $this->used, 'expected' => $this->expected, 'ratio' => $this->ratio];
    }

    private function burnt(LogEntry $entry): float
    {
        if (! $entry->isRun() || $this->in->fuelUse === null) {
            return 0.0;
        }
        $rate = $this->in->fuelUse->rate(100 * $entry->kw / $this->in->ratedKw);

        return (float) ($this->in->isNaturalGas ? $rate['m3_h'] : $rate['l_h']) * $entry->runMin / 60;
    }
}
