<?php

declare(strict_types=1);

namespace Escapement\Core\Power\PowerFactor;

use Escapement\Core\Input\Tolerance;

/** Which stages to switch on: of equal totals the fewest, then the first ones. Rule: docs/rules.md#power-factor-bank. */
final readonly class StageChoice
{
    /** @var list<array{float, list<int>}> total with the fixed stage, and indices */
    private array $sets;

    public function __construct(private BankInput $in)
    {
        $sets = [[$in->fixedKvar(), []]];
        foreach ($in->steps as $i => $step) {
            foreach ($sets as [$sum, $set]) {
                $sets[] = [$sum + $step->kvarAt($in->vLl), [...$set, $i]];
            }
        }
        $this->sets = $sets;
    }

    /** @return array{float, list<int>} */
    public function chosen(): array
    {
        return ($this->in->isReaching ? $this->reaching() : null) ?? $this->below();
    }

    /**
     * The smallest total that is enough and does not lead.
     *
     * @return null|array{float, list<int>}
     */
    private function reaching(): ?array
    {
        $needed = $this->in->neededKvar();
        $most = $this->in->kvar();
        $best = null;
        foreach ($this->sets as $one) {
            $fits = ! Tolerance::isBelow($one[0], $needed) && ! Tolerance::exceeds($one[0], $most);
            if ($fits && ($best === null || Tolerance::isBelow($one[0], $best[0]) || self::isTieBefore($one, $best))) {
                $best = $one;
            }
        }

        return $best;
    }

    /** @return array{float, list<int>} the greatest total that is not more than is needed; without any the fixed stage alone */
    private function below(): array
    {
        $needed = $this->in->neededKvar();
        $best = null;
        foreach ($this->sets as $one) {
            if (Tolerance::exceeds($one[0], $needed)) {
                continue;
            }
            if ($best === null || Tolerance::exceeds($one[0], $best[0]) || self::isTieBefore($one, $best)) {
                $best = $one;
            }
        }

        return $best ?? [$this->in->fixedKvar(), []];
    }

    /**
     * @param array{float, list<int>} $one
     * @param array{float, list<int>} $best
     */
    private static function isTieBefore(array $one, array $best): bool
    {
        if (Tolerance::exceeds($one[0], $best[0]) || Tolerance::isBelow($one[0], $best[0])) {
            return false;
        }

        return count($one[1]) !== count($best[1]) ? count($one[1]) < count($best[1]) : $one[1] < $best[1];
    }
}
