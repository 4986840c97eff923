<?php

declare(strict_types=1);

namespace App\Drawing\Wiring;

use App\Drawing\Pen;

/** A conductor by line and pattern: what feeds it, neutral, ground, or nothing live; readable in gray. */
final readonly class ConductorStroke
{
    public function __construct(private Pen $pen) {}

    /** @param 'dead'|'gen'|'ground'|'neutral'|'now'|'util' $kind */
    public function path(string $d, string $kind): string
    {
        return match ($kind) {
            'util' => $this->pen->path($d, 'util', 7),
            'gen' => $this->pen->path($d, 'gen', 7) . $this->pen->path($d, 'sheet', 3, 'stroke-dasharray="4 4"'),
            'neutral' => $this->pen->path($d, 'ink', 6) . $this->pen->path($d, 'sheet', 2.4),
            'ground' => $this->pen->path($d, 'ink', 4, 'stroke-dasharray="11 3 3 3"'),
            'now' => $this->pen->path($d, 'steel', 9) . $this->pen->path($d, 'sheet', 2.4),
            default => $this->pen->path($d, 'ink-2', 6) . $this->pen->path($d, 'sheet', 4.2),
        };
    }
}
