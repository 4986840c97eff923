<?php

declare(strict_types=1);

namespace Escapement\Core\Panel\NeutralEarth;

/** A handful of resistors between named nodes: what a current does that goes in at one and out at another. */
final readonly class Resistors
{
    /** @param list<array{string, string, float}> $list two nodes and ohms */
    public function __construct(private array $list) {}

    /**
     * @return null|array<string, float> volts by node against the node where it goes out; null when no path joins the two
     */
    public function volts(string $in, string $out, float $amps): ?array
    {
        $nodes = $this->joined($out);
        if (! in_array($in, $nodes, true)) {
            return null;
        }
        $unknown = array_values(array_diff($nodes, [$out]));
        $rows = [];
        foreach ($unknown as $i => $node) {
            $rows[$i] = array_fill(0, count($unknown) + 1, 0.0);
            $rows[$i][count($unknown)] = $node === $in ? $amps : 0.0;
            foreach ($this->list as [$a, $b, $ohm]) {
                if ($a === $node || $b === $node) {
                    $rows[$i][$i] += 1 / $ohm;
                    $other = array_search($a === $node ? $b : $a, $unknown, true);
                    if ($other !== false) {
                        $rows[$i][$other] -= 1 / $ohm;
                    }
                }
            }
        }

        return array_combine($unknown, self::solved($rows)) + [$out => 0.0];
    }

    /** @return list<string> */
    private function joined(string $node): array
    {
        $found = [$node];
        for ($i = 0; $i < count($found); $i++) {
            foreach ($this->list as [$a, $b]) {
                foreach ([[$a, $b], [$b, $a]] as [$from, $to]) {
                    if ($from === $found[$i] && ! in_array($to, $found, true)) {
                        $found[] = $to;
                    }
                }
            }
        }

        return $found;
    }

    /**
     * @param array<int, array<int, float>> $rows
     *
     * @return list<float>
     */
    private static function solved(array $rows): array
    {
        $count = count($rows);
        for ($i = 0; $i < $count; $i++) {
            $pivot = $i;
            for ($row = $i + 1; $row < $count; $row++) {
                $pivot = abs($rows[$row][$i]) > abs($rows[$pivot][$i]) ? $row : $pivot;
            }
            [$rows[$i], $rows[$pivot]] = [$rows[$pivot], $rows[$i]];
            for ($row = 0; $row < $count; $row++) {
                $factor = $row === $i ? 0.0 : $rows[$row][$i] / $rows[$i][$i];
                for ($column = $i; $column <= $count && $factor !== 0.0; $column++) {
                    $rows[$row][$column] -= $factor * $rows[$i][$column];
                }
            }
        }

        return array_values(array_map(static fn(int $i): float => $rows[$i][$count] / $rows[$i][$i], array_keys($rows)));
    }
}
