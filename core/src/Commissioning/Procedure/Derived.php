<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Procedure;

use Escapement\Core\Finding\WorkingLine;

/** Figures that follow from others already read, so that nobody works them out on a knee. Rule: commissioning §4. */
final readonly class Derived
{
    private const PHASES = ['on_load_checks/generator-volts-L1', 'on_load_checks/generator-volts-L2', 'on_load_checks/generator-volts-L3'];

    /**
     * @param array<string, float> $values measured, by step
     *
     * @return ?WorkingLine null while something of it is not read, or where a step is not derived
     */
    public static function of(string $stepId, array $values): ?WorkingLine
    {
        return $stepId === 'on_load_checks/unbalance' ? self::unbalance($values) : null;
    }

    /**
     * The largest distance of a phase from the mean of the three, as controllers reckon it.
     *
     * @param array<string, float> $values
     */
    private static function unbalance(array $values): ?WorkingLine
    {
        $volts = array_values(array_intersect_key($values, array_flip(self::PHASES)));
        if ($volts === [] || count($volts) < count(self::PHASES)) {
            return null;
        }
        $mean = array_sum($volts) / count($volts);
        if ($mean <= 0) {
            return null;
        }
        $farthest = max(array_map(static fn(float $v): float => abs($v - $mean), $volts));

        return new WorkingLine('Unbalance', sprintf('%.2f V, the farthest from the mean of %s, ÷ %.2f V × 100', $farthest, implode(', ', array_map(static fn(float $v): string => (string) round($v, 2), $volts)), $mean), 100 * $farthest / $mean, '%');
    }
}
