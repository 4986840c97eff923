<?php

declare(strict_types=1);

namespace App\Drawing\LoadTest;

/** What stands in one lane of the chart of a test: a figure, or one of each phase. */
final readonly class FigureLane
{
    /**
     * @param list<array{name: string, points: list<array{float, float}>}> $lines seconds and values
     * @param list<float>                                                  $limits lines to stay within
     */
    public function __construct(public string $title, public string $unit, public array $lines, public array $limits = []) {}

    public function isEmpty(): bool
    {
        return array_filter($this->lines, static fn(array $line): bool => $line['points'] !== []) === [];
    }

    /** @return array{float, float} of the values and the limits, with some air */
    public function range(): array
    {
        $all = $this->limits;
        foreach ($this->lines as $line) {
            array_push($all, ...array_column($line['points'], 1));
        }
        if ($all === []) {
            return [0.0, 1.0];
        }
        $air = max(0.08 * (max($all) - min($all)), 0.004 * abs(max($all)), 0.02);

        return [min($all) - $air, max($all) + $air];
    }
}
