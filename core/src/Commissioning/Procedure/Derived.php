<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Procedure;

use Escapement\Core\Finding\WorkingLine;

/** Figures that follow from others already read, so that nobody works them out on a knee. Rule: docs/rules.md#bands. */
final readonly class Derived
{
    private const AT_POINTS = 'on_load_checks/contact-drop-at-points-';

    /** Of the rated current, below which a contact's drop says nothing. */
    private const LEAST_SHARE = 0.25;

    private const PHASES = ['on_load_checks/generator-volts-L1', 'on_load_checks/generator-volts-L2', 'on_load_checks/generator-volts-L3'];

    /**
     * @param array<string, float> $values  measured, by step
     * @param ?float               $switchA rated current of the switch
     *
     * @return ?WorkingLine null while something of it is not read, or where a step is not derived
     */
    public static function of(string $stepId, array $values, ?float $switchA = null): ?WorkingLine
    {
        return match (true) {
            $stepId === 'on_load_checks/unbalance' => self::unbalance($values),
            $stepId === 'dead_checks/contact-spread' => self::contactSpread($values),
            str_starts_with($stepId, self::AT_POINTS) => self::atRated(substr($stepId, strlen(self::AT_POINTS)), $values, $switchA),
            default => null,
        };
    }

    /**
     * The largest ratio of a pole to the lowest of the same side.
     *
     * @param array<string, float> $values
     */
    private static function contactSpread(array $values): ?WorkingLine
    {
        $worst = null;
        foreach (['normal', 'emergency'] as $side) {
            $poles = array_values(array_filter(
                $values,
                static fn(string $step): bool => str_starts_with($step, "dead_checks/contact-resistance-$side-"),
                ARRAY_FILTER_USE_KEY,
            ));
            if ($poles === [] || min($poles) <= 0) {
                continue;
            }
            $ratio = max($poles) / min($poles);
            if ($worst === null || $ratio > $worst[0]) {
                $worst = [$ratio, sprintf('%g mΩ ÷ %g mΩ, side %s', max($poles), min($poles), $side)];
            }
        }

        return $worst === null ? null : new WorkingLine('Highest to lowest contact', $worst[1], $worst[0], 'times');
    }

    /**
     * A drop without its current proves nothing: it is brought to the rated current, and below a quarter of it there is no verdict.
     *
     * @param array<string, float> $values
     */
    private static function atRated(string $leg, array $values, ?float $switchA): ?WorkingLine
    {
        $mv = $values["on_load_checks/contact-point-mv-$leg"] ?? null;
        $a = $values["on_load_checks/contact-point-a-$leg"] ?? null;
        if ($mv === null || $a === null || $switchA === null || $a < self::LEAST_SHARE * $switchA) {
            return null;
        }

        return new WorkingLine('Drop at rated current', sprintf('%g mV × %g A ÷ %g A', $mv, $switchA, $a), $mv * $switchA / $a, 'mV');
    }

    /**
     * The largest distance of a phase from the mean of the three, as controllers calculate it.
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

        return new WorkingLine(
            'Unbalance',
            sprintf(
                '%.2f V, the farthest from the mean of %s, ÷ %.2f V × 100',
                $farthest,
                implode(', ', array_map(static fn(float $v): string => (string) round($v, 2), $volts)),
                $mean,
            ),
            100 * $farthest / $mean,
            '%',
        );
    }
}
