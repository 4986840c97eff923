<?php

declare(strict_types=1);

namespace Escapement\Core\Recording;

/** RMS volts a phase, and hertz where known, as steps: each value holds until the next one. Times from the first sample. */
final class Series
{
    /** Distinct points; more would not fit a page's memory. A steady year folds to a handful. */
    public const MOST = 500_000;
    private const MOST_MS = 366 * 86_400_000;

    /** @var list<int> */
    public array $atMs = [];
    /** @var array<int, array<int, float>> by phase, then by place */
    public array $v;
    /** @var array<int, ?float> by place */
    public array $hz = [];
    public int $untilMs = 0;

    public function __construct(public readonly int $phases)
    {
        $this->v = array_fill(0, max(1, $phases), []);
    }

    /**
     * Values are kept to a thousandth; a point that says nothing new is left out, which loses nothing.
     *
     * @param array<int, float> $v by phase
     */
    public function add(int $atMs, array $v, ?float $hz): void
    {
        $last = count($this->atMs) - 1;
        $isNew = $last < 0;
        $this->reach($atMs);
        // a loop over the arrays would hold them, and each step would copy them whole
        for ($phase = 0; $phase < count($this->v); $phase++) {
            $v[$phase] = round($v[$phase], 3);
            $isNew = $isNew || $this->v[$phase][$last] !== $v[$phase];
        }
        $hz = $hz === null ? null : round($hz, 3);
        if (! $isNew && $this->hz[$last] === $hz) {
            return;
        }
        if ($last + 1 >= self::MOST) {
            throw RecordingFault::whole(sprintf(
                'This recording has more than %s different values. Cut it into shorter ones.',
                number_format(self::MOST),
            ));
        }
        if ($last >= 0 && $this->atMs[$last] === $atMs) { // within one millisecond the last one holds
            $this->hz[$last] = $hz;
            foreach (array_keys($this->v) as $phase) {
                $this->v[$phase][$last] = $v[$phase];
            }

            return;
        }
        $this->atMs[] = $atMs;
        $this->hz[] = $hz;
        foreach (array_keys($this->v) as $phase) {
            $this->v[$phase][] = $v[$phase];
        }
    }

    /**
     * The recording goes on to there, with what it said last.
     *
     * @throws RecordingFault beyond a year: a column of times in another unit, or no times at all
     */
    public function reach(float $atMs): void
    {
        if ($atMs > self::MOST_MS) {
            throw RecordingFault::whole('This recording is longer than a year. Look at its column of times, and their unit.');
        }
        $this->untilMs = max($this->untilMs, (int) round($atMs));
    }

    /** @return list<float> */
    public function at(int $place): array
    {
        return array_values(array_map(static fn(array $values): float => $values[$place], $this->v));
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['at_ms' => $this->atMs, 'v' => $this->v, 'hz' => $this->hz, 'until_ms' => $this->untilMs];
    }

    /** @param array{at_ms: list<int>, v: list<list<float|int>>, hz: list<null|float|int>, until_ms: int} $kept by toArray() */
    public static function fromArray(array $kept): self
    {
        $series = new self(count($kept['v']));
        $series->atMs = $kept['at_ms'];
        $series->v = array_map(static fn(array $values): array => array_map(floatval(...), $values), $kept['v']);
        $series->hz = array_map(static fn(null|float|int $hz): ?float => $hz === null ? null : (float) $hz, $kept['hz']);
        $series->untilMs = $kept['until_ms'];

        return $series;
    }
}
