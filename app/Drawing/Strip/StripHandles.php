<?php

declare(strict_types=1);

namespace App\Drawing\Strip;

use App\Drawing\Pen;

/** The pieces of a script: a steel line from where one begins to where it ends, with a handle at each end. */
final readonly class StripHandles
{
    /** @param list<StripHandle> $handles */
    public function __construct(private array $handles) {}

    public function svg(StripCanvas $canvas, float $y, bool $isOfEngine): string
    {
        $svg = '';
        foreach ($this->handles as $i => $handle) {
            if ($handle->isOfEngine !== $isOfEngine) {
                continue;
            }
            $x = $canvas->x(min($handle->atMs, $canvas->untilMs));
            $end = $handle->lastsMs === null ? null : max($x + 10, $canvas->x(min($handle->atMs + $handle->lastsMs, $canvas->untilMs)));
            $svg .= sprintf(
                '<g class="piece" data-piece="%s"><path class="piece-line" d="M%.1f %.1fH%.1f"/>',
                $handle->field,
                $x,
                $y + 6,
                $end ?? $x,
            )
                . $this->handle($handle, $i, true, $x, $y) . ($end === null ? '' : $this->handle($handle, $i, false, $end, $y)) . '</g>';
        }

        return $svg;
    }

    private function handle(StripHandle $handle, int $i, bool $isStart, float $x, float $y): string
    {
        $label = sprintf('%s %d, %s', $handle->label, $i + 1, $isStart ? 'begins at' : 'lasts');
        $ms = $isStart ? $handle->atMs : (int) $handle->lastsMs;

        return sprintf(
            '<g class="handle" tabindex="0" role="slider" data-field="%1$s[%2$s]" data-from-ms="%3$d" aria-label="%4$s"'
            . ' aria-valuemin="0" aria-valuemax="31536000" aria-valuenow="%5$s" aria-valuetext="%4$s %6$s">'
            . '<rect class="hit" x="%7$.1f" y="%8$.1f" width="44" height="40"/><rect class="block" x="%9$.1f" y="%10$.1f" width="8" '
            . 'height="12"/></g>',
            $handle->field,
            $isStart ? 'at' : 'lasts',
            $isStart ? 0 : $handle->atMs,
            Pen::escaped($label),
            $ms / 1000,
            StripCanvas::seconds($ms),
            $x - ($isStart ? 36 : 8),
            $y - 8,
            $x - ($isStart ? 8 : 0),
            $y,
        );
    }
}
