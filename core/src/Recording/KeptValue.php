<?php

declare(strict_types=1);

namespace Escapement\Core\Recording;

/** The last value of a recording that was kept as an event: nominal within a tolerance, and the side of every limit it lies on. */
final class KeptValue
{
    /** @var list<float> */
    public array $values;
    private readonly string $nominalSide;
    private string $side;

    /**
     * @param list<float>         $nominal
     * @param float                         $reach   within which a value is the same as another
     * @param \Closure(list<float>): string $sideOf  on which side of every limit they lie
     */
    public function __construct(private readonly array $nominal, private readonly float $reach, private readonly \Closure $sideOf)
    {
        $this->values = $nominal;
        $this->nominalSide = $this->side = $sideOf($nominal);
    }

    /**
     * Keeps them where they lie elsewhere than what was kept last.
     *
     * @param list<float> $values
     */
    public function moves(array $values): bool
    {
        $side = ($this->sideOf)($values);
        $values = $side === $this->nominalSide && $this->isNear($values, $this->nominal) ? $this->nominal : $values;
        $isMoved = $values !== $this->values
            && ($side !== $this->side || $values === $this->nominal || ! $this->isNear($values, $this->values));
        if ($isMoved) {
            [$this->values, $this->side] = [$values, $side];
        }

        return $isMoved;
    }

    /**
     * @param list<float> $values
     * @param list<float> $others
     */
    private function isNear(array $values, array $others): bool
    {
        foreach ($values as $i => $value) {
            if (abs($value - $others[$i]) > $this->reach) {
                return false;
            }
        }

        return true;
    }
}
