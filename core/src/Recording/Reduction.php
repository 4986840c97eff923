<?php

declare(strict_types=1);

namespace Escapement\Core\Recording;

use Escapement\Core\Plant\Side;
use Escapement\Core\Plant\Source;
use Escapement\Core\Settings\Limit;
use Escapement\Core\Settings\Sensing;
use Escapement\Core\Simulation\ScenarioEvent;
use Escapement\Core\Simulation\Verb;

/**
 * A recording as the utility of a rehearsal: few events, and every crossing of a limit at the millisecond it has there.
 *
 * A point is kept when it lies on another side of any limit than the one before it, or when it has drifted away from
 * the last kept one by more than the tolerance. What is near nominal and on nominal's side of every limit counts as nominal.
 */
final readonly class Reduction
{
    private const TOLERANCE = 0.02;
    private const HERTZ_TOLERANCE = 0.002;

    /** @param list<Sensing> $sensings limits of all the sheets that the recording is to be played on */
    public function __construct(private Source $source, private array $sensings) {}

    /** @return list<ScenarioEvent> */
    public function events(Series $series): array
    {
        $voltLines = [
            $this->source->nominalV / 2,
            ...$this->lines($this->source->nominalV, static fn(Sensing $s): array => [$s->underVoltage, $s->overVoltage]),
        ];
        $hertzLines = $this->lines($this->source->nominalHz, static fn(Sensing $s): array => [$s->underFrequency, $s->overFrequency]);
        $nominalV = (float) $this->source->nominalV;
        $nominalHz = (float) $this->source->nominalHz;
        $volts = new KeptValue(
            array_fill(0, max(1, $this->source->phases), $nominalV),
            self::TOLERANCE * $nominalV,
            fn(array $v): string => $this->side($v, $voltLines),
        );
        $hertz = new KeptValue(
            [$nominalHz],
            self::HERTZ_TOLERANCE * $nominalHz,
            static fn(array $hz): string => self::sideOf($hz[0] ?? $nominalHz, $hertzLines),
        );
        $events = [];
        foreach ($series->atMs as $i => $atMs) {
            $isV = $volts->moves($series->at($i));
            $isHz = isset($series->hz[$i]) && $hertz->moves([$series->hz[$i]]);
            if ($isV || $isHz) {
                $events[] = new ScenarioEvent(
                    $atMs,
                    Verb::SetSource,
                    Side::Normal,
                    $isV ? $volts->values : null,
                    $isHz ? $hertz->values[0] : null,
                );
            }
        }

        return $events;
    }

    /**
     * @param callable(Sensing): list<?Limit> $limits
     *
     * @return list<float>
     */
    private function lines(int|float $nominal, callable $limits): array
    {
        $lines = [];
        foreach ($this->sensings as $sensing) {
            foreach ($limits($sensing) as $limit) {
                if ($limit !== null) {
                    $lines[(string) $limit->dropoutPct] = $nominal * $limit->dropoutPct / 100;
                    $lines[(string) $limit->pickupPct] = $nominal * $limit->pickupPct / 100;
                }
            }
        }

        return array_values($lines);
    }

    /**
     * On which side of every limit each phase lies, and the unbalance of the three.
     *
     * @param list<float> $v
     * @param list<float> $lines
     */
    private function side(array $v, array $lines): string
    {
        $side = implode('|', array_map(static fn(float $value): string => self::sideOf($value, $lines), $v));
        if (count($v) !== 3) {
            return $side;
        }
        $mean = array_sum($v) / 3;
        $spread = $mean > 0.0 ? max(max($v) - $mean, $mean - min($v)) / $mean * 100 : 0.0;
        $shares = [];
        foreach ($this->sensings as $sensing) {
            if ($sensing->unbalance !== null) {
                array_push($shares, (float) $sensing->unbalance->dropoutPct, (float) $sensing->unbalance->pickupPct);
            }
        }

        return $side . '|' . self::sideOf($spread, $shares);
    }

    /** @param list<float> $lines */
    private static function sideOf(float $value, array $lines): string
    {
        $side = '';
        foreach ($lines as $line) { // on the line itself is a side of its own: some limits are met there and some are not
            $side .= abs($value - $line) < 1e-9 ? '=' : ($value > $line ? '>' : '<');
        }

        return $side;
    }
}
