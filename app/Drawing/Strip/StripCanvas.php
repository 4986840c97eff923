<?php

declare(strict_types=1);

namespace App\Drawing\Strip;

use App\Drawing\Ink;
use App\Drawing\Pen;
use App\Drawing\TimeScale;
use Escapement\Core\Settings\SheetWords;
use Escapement\Core\Simulation\Span;

/** What the lanes draw on: layers over each other, labels beside them, and how far down the strip has come. */
final class StripCanvas
{
    public string $grid = '';
    public string $plot = '';
    public string $words = '';
    public string $labels = '';
    public string $grips = '';
    public float $y = 0;

    /** @param bool $hasGrips whether delays and pieces can be moved on it */
    public function __construct(
        public readonly Pen $pen,
        public readonly TimeScale $scale,
        public readonly int $labelPx,
        public readonly int $untilMs,
        public readonly bool $hasGrips,
    ) {}

    public function ink(): Ink
    {
        return $this->pen->ink;
    }

    public function x(int $ms): float
    {
        return $this->scale->x($ms);
    }

    /** @return array{float, float} left edge and width */
    public function place(Span $span): array
    {
        $x = $this->scale->x($span->fromMs);

        return [$x, $this->scale->x($span->toMs) - $x];
    }

    public static function seconds(int $ms): string
    {
        return SheetWords::seconds($ms);
    }

    /** The name of a lane, on the left of its label column. */
    public function name(float $dy, string $words, string $colour = 'ink'): void
    {
        $this->labels .= $this->pen->text(0, $this->y + $dy, $words, colour: $colour, weight: 600);
    }

    /** Words or a figure on the right of the label column. */
    public function note(
        float $dy,
        string $words,
        string $colour = 'ink-2',
        int $size = 13,
        bool $isFigure = false,
        int $weight = 400,
    ): void {
        $this->labels .= $this->pen->text(
            $this->labelPx - 8,
            $this->y + $dy,
            $words,
            'end',
            $colour,
            $size,
            isFigure: $isFigure,
            weight: $weight,
        );
    }

    public function say(float $x, float $y, string $words, string $colour = 'ink', int $weight = 400): void
    {
        $this->words .= $this->pen->text($x, $y, $words, 'start', $colour, 13, true, weight: $weight);
    }

    /** A stretch of the run before, as a dashed bracket. */
    public function bracket(int $fromMs, int $toMs, float $y): void
    {
        $from = $this->x($fromMs);
        $this->plot .= sprintf(
            '<path class="ghost" d="M%1$.1f %2$.1fv3H%3$.1fv-3" fill="none" stroke="%4$s" stroke-width="1.2" stroke-dasharray="3 2"/>',
            $from,
            $y,
            max($this->x($toMs), $from + 1),
            $this->ink()->colour('ink-2'),
        );
    }

    public function endLane(float $height, bool $hasRule = true): void
    {
        $this->y += $height;
        if ($hasRule) {
            $this->plot .= $this->pen->rule($this->y, 0, $this->scale->width);
            $this->labels .= $this->pen->rule($this->y, 0, $this->labelPx);
        }
    }

    /**
     * Cuts a span where another lane changes.
     *
     * @param list<Span> $lane
     *
     * @return list<Span> with the other lane's states
     */
    public static function pieces(Span $span, array $lane): array
    {
        $pieces = [];
        foreach ($lane as $other) {
            $fromMs = max($span->fromMs, $other->fromMs);
            $toMs = min($span->toMs, $other->toMs);
            if ($toMs > $fromMs) {
                $pieces[] = new Span($fromMs, $toMs, $other->state);
            }
        }

        return $pieces;
    }
}
