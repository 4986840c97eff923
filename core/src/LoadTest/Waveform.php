<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

/** A fast recording of a load test: columns of equal length, one entry a sample. */
final readonly class Waveform
{
    /**
     * @param list<float>       $tMs rising
     * @param list<list<float>> $vV  r.m.s., a list a phase
     * @param list<float>       $hz
     * @param null|list<float>  $kw
     */
    public function __construct(public array $tMs, public array $vV, public array $hz, public ?array $kw) {}

    public function count(): int
    {
        return count($this->tMs);
    }

    public function lowV(int $i): float
    {
        return min(array_map(static fn(array $phase): float => $phase[$i], $this->phases()));
    }

    public function highV(int $i): float
    {
        return max(array_map(static fn(array $phase): float => $phase[$i], $this->phases()));
    }

    public function v(int $i): float
    {
        return array_sum(array_map(static fn(array $phase): float => $phase[$i], $this->vV)) / max(1, count($this->vV));
    }

    public function medianMs(): float
    {
        $gaps = [];
        for ($i = 1; $i < $this->count(); $i++) {
            $gaps[] = $this->tMs[$i] - $this->tMs[$i - 1];
        }

        return Median::of($gaps) ?? 0.0;
    }

    /** @return non-empty-list<list<float>> */
    private function phases(): array
    {
        return $this->vV === [] ? throw new \LogicException('A recording has a phase.') : $this->vV;
    }
}
