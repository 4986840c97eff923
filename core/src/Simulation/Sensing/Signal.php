<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Sensing;

use Escapement\Core\Plant\Source;
use Escapement\Core\Settings\Sensing;
use Escapement\Core\Simulation\Units;

/**
 * The true voltage, frequency and rotation of one source, and when they next cross something that somebody watches.
 */
final class Signal
{
    public const NEVER = PHP_INT_MAX;

    public readonly Ramp $volts;
    public readonly Ramp $hertz;
    public readonly Thresholds $thresholds;
    public string $rotation;
    /** Rises with each change, so that a watcher need not look again at what stands still. */
    public int $version = 0;
    /** False while nothing moves: spares the loop a question on most of its rounds. */
    public bool $hasWakes = false;
    /** @var list<int> */
    private array $wakes = [];
    private int $nextWake = 0;

    public function __construct(private readonly Source $source, Sensing $sensing, bool $startsAtNominal)
    {
        $this->thresholds = new Thresholds($source, $sensing);
        $this->volts = new Ramp($this->flat($startsAtNominal ? $this->thresholds->nominalV : 0));
        $this->hertz = new Ramp([$startsAtNominal ? $this->thresholds->nominalHz : 0]);
        $this->rotation = $source->rotation;
    }

    /**
     * @param null|list<int|float> $v  volts per phase, null for no change
     * @param null|int|float       $hz hertz, null for no change
     */
    public function set(int $t, ?array $v, int|float|null $hz, ?string $rotation = null): void
    {
        if ($v !== null) {
            $this->volts->set(self::units($v));
        }
        if ($hz !== null) {
            $this->hertz->set([Units::signal($hz)]);
        }
        $this->rotation = $rotation ?? $this->rotation;
        $this->changed($t);
    }

    /** @param null|list<int|float> $v */
    public function ramp(int $t, ?array $v, int|float|null $hz, int $overMs): void
    {
        if ($v !== null) {
            $this->volts->settle($t);
            $this->volts->ramp($t, self::units($v), $overMs);
        }
        if ($hz !== null) {
            $this->hertz->settle($t);
            $this->hertz->ramp($t, [Units::signal($hz)], $overMs);
        }
        $this->changed($t);
    }

    /** Volts and hertz go on as those of another signal; the rotation stays. */
    public function follow(int $t, self $other): void
    {
        $this->volts->follow($other->volts);
        $this->hertz->follow($other->hertz);
        $this->changed($t);
    }

    /** Some phase at or above half of its nominal voltage: what is not to be touched by hand. */
    public function hasVoltage(int $t): bool
    {
        $this->volts->settle($t);
        $nominal = $this->thresholds->nominalV * $this->volts->length();
        foreach ($this->volts->at($t) as $value) {
            if (2 * $value >= $nominal) {
                return true;
            }
        }

        return false;
    }

    /** The engine is at speed. */
    public function setNominal(int $t): void
    {
        $this->volts->set($this->flat($this->thresholds->nominalV));
        $this->hertz->set([$this->thresholds->nominalHz]);
        $this->changed($t);
    }

    /** The engine stands, or has no voltage any more. */
    public function setDead(int $t): void
    {
        $this->volts->set($this->flat(0));
        $this->hertz->set([0]);
        $this->changed($t);
    }

    /** The engine has fired: volts and hertz rise from 0 to nominal. */
    public function runUp(int $t, int $overMs): void
    {
        $this->setDead($t);
        $this->volts->ramp($t, $this->flat($this->thresholds->nominalV), $overMs);
        $this->hertz->ramp($t, [$this->thresholds->nominalHz], $overMs);
        $this->changed($t);
    }

    /** Every phase at or above half of its nominal voltage: what the load bus needs to count as live. Rule: docs/rules.md#load-bus. */
    public function isLive(int $t): bool
    {
        $this->volts->settle($t);
        $nominal = $this->thresholds->nominalV * $this->volts->length();
        foreach ($this->volts->at($t) as $value) {
            if (2 * $value < $nominal) {
                return false;
            }
        }

        return true;
    }

    /** @return array{list<float>, float} volts by phase, hertz */
    public function measured(int $t): array
    {
        $this->volts->settle($t);
        $this->hertz->settle($t);
        $unit = $this->volts->length() * Units::SIGNAL;

        return [
            array_map(static fn(int|float $value): float => $value / $unit, $this->volts->at($t)),
            $this->hertz->at($t)[0] / ($this->hertz->length() * Units::SIGNAL),
        ];
    }

    /** The next millisecond after $t at which a comparison may come out differently. */
    public function nextWakeMs(int $t): int
    {
        while (isset($this->wakes[$this->nextWake]) && $this->wakes[$this->nextWake] <= $t) {
            $this->nextWake++;
        }

        $this->hasWakes = isset($this->wakes[$this->nextWake]);

        return $this->wakes[$this->nextWake] ?? self::NEVER;
    }

    private function changed(int $t): void
    {
        $this->version++;
        $this->wakes = [];
        $this->nextWake = 0;
        if ($this->volts->isMoving()) {
            $this->wakes = $this->volts->crossings($t, $this->thresholds->voltsBelow, $this->thresholds->overVoltage ?? []);
            if ($this->thresholds->unbalance !== null) {
                array_push($this->wakes, ...$this->volts->spreadCrossings($t, $this->thresholds->unbalance));
            }
        }
        if ($this->hertz->isMoving()) {
            array_push(
                $this->wakes,
                ...$this->hertz->crossings($t, $this->thresholds->underFrequency ?? [], $this->thresholds->overFrequency ?? []),
            );
        }
        $this->hasWakes = $this->wakes !== [];
        if ($this->hasWakes) {
            sort($this->wakes);
        }
    }

    /** @return non-empty-list<int|float> */
    private function flat(int|float $value): array
    {
        return array_fill(0, max(1, $this->source->phases), $value);
    }

    /**
     * @param list<int|float> $v volts
     *
     * @return list<int>
     */
    private static function units(array $v): array
    {
        $units = [];
        foreach ($v as $value) {
            $units[] = Units::signal($value);
        }

        return $units;
    }
}
