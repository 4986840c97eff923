<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

use Escapement\Core\Input\Tolerance;

/**
 * A house without a load bank: which of its own loads carry each step, and in which order they come on. The loads are chosen as the
 * elements of a bank are; motors come on first, the largest first, while the set has most to spare. Rule: docs/rules.md#own-loads.
 */
final readonly class OwnLoads
{
    /** As many as can be tried out whole; of more, the largest. */
    private const MOST = 24;

    /** @var list<OwnLoad> */
    private array $loads;

    /**
     * @param list<OwnLoad> $loads   what the switch carries and a person can switch
     * @param float         $leastKw below which a run counts as one without load
     */
    public function __construct(array $loads, private float $usableKw, private float $leastKw = 0.0)
    {
        $fitting = array_values(array_filter(
            $loads,
            fn(OwnLoad $one): bool => $one->kw > 0 && ! Tolerance::exceeds($one->kw, $this->usableKw),
        ));
        usort($fitting, static fn(OwnLoad $a, OwnLoad $b): int => [$b->kw, $a->name] <=> [$a->kw, $b->name]);
        $this->loads = array_slice($fitting, 0, self::MOST);
    }

    /**
     * @param list<PlannedStep> $steps
     *
     * @return list<OwnLoadStep>
     */
    public function order(array $steps): array
    {
        $elements = new BankElements(array_map(static fn(OwnLoad $one): float => $one->kw, $this->loads));
        $running = [];
        $order = [];
        foreach ($steps as $step) {
            $targetKw = max($step->targetKw, $this->leastKw);
            $chosen = $this->within($elements->reaching((int) ceil(1000 * $targetKw - 1e-6)));
            $kw = $elements->kwOf($chosen);
            $on = array_values(array_diff($chosen, $running));
            usort($on, fn(int $a, int $b): int => [$this->loads[$b]->isMotor, $this->loads[$b]->kw, $a]
                <=> [$this->loads[$a]->isMotor, $this->loads[$a]->kw, $b]);
            $order[] = new OwnLoadStep(
                $step->levelPct,
                $targetKw,
                $this->names($on),
                $this->names(array_values(array_diff($running, $chosen))),
                $this->names($chosen),
                $kw,
                Tolerance::isBelow($kw, $targetKw) ? $targetKw - $kw : 0.0,
            );
            $running = $chosen;
        }

        return $order;
    }

    /**
     * No more than the set gives: the smallest go until it fits.
     *
     * @param list<int> $chosen
     *
     * @return list<int>
     */
    private function within(array $chosen): array
    {
        sort($chosen); // the largest first
        $kw = 0.0;
        $fitting = [];
        foreach ($chosen as $i) {
            if (! Tolerance::exceeds($kw + $this->loads[$i]->kw, $this->usableKw)) {
                $kw += $this->loads[$i]->kw;
                $fitting[] = $i;
            }
        }

        return $fitting;
    }

    /**
     * @param list<int> $places
     *
     * @return list<string>
     */
    private function names(array $places): array
    {
        return array_map(fn(int $i): string => $this->loads[$i]->name, $places);
    }
}
