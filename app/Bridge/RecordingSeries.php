<?php

declare(strict_types=1);

namespace App\Bridge;

use App\Models\Recording;
use Escapement\Core\Plant\Source;
use Escapement\Core\Recording\Reduction;
use Escapement\Core\Recording\Series;
use Escapement\Core\Settings\Sensing;
use Escapement\Core\Simulation\ScenarioEvent;

/** A kept recording as the core's series, and as the utility of a plant. */
final readonly class RecordingSeries
{
    public function __construct(private Recording $recording) {}

    public static function pack(Series $series): string
    {
        return gzdeflate(json_encode($series->toArray(), JSON_THROW_ON_ERROR)) ?: throw new \LogicException('No series.');
    }

    public function series(): Series
    {
        /** @var array{at_ms: list<int>, v: list<list<float|int>>, hz: list<null|float|int>, until_ms: int} $kept */
        $kept = json_decode(gzinflate($this->recording->series) ?: '', true, 8, JSON_THROW_ON_ERROR);

        return Series::fromArray($kept);
    }

    /** Whether a plant with this source can be fed by it: one channel feeds all its phases, else each needs its own. */
    public function fits(Source $source): bool
    {
        return $this->recording->phases === 1 || $this->recording->phases >= $source->phases;
    }

    /**
     * @param list<Sensing> $sensings
     *
     * @return list<ScenarioEvent> at the nominal voltage and frequency of the source
     */
    public function events(Source $source, array $sensings): array
    {
        return (new Reduction($source, $sensings))->events($this->on($source));
    }

    private function on(Source $source): Series
    {
        $kept = $this->series();
        $volts = $source->nominalV / $this->recording->nominal_v;
        $hertz = $source->nominalHz / $this->recording->nominal_hz;
        $series = new Series($source->phases);
        foreach ($kept->atMs as $i => $atMs) {
            $v = $kept->at($i);
            $v = count($v) === 1 ? array_fill(0, $source->phases, $v[0]) : array_slice($v, 0, $source->phases);
            $series->add(
                $atMs,
                array_map(static fn(float $one): float => $one * $volts, $v),
                $kept->hz[$i] === null ? null : $kept->hz[$i] * $hertz,
            );
        }
        $series->untilMs = $kept->untilMs;

        return $series;
    }
}
