<?php

declare(strict_types=1);

namespace App\Drawing\Panel;

/**
 * Signs of a three-phase one-line, from the public standards: conductors as strokes across a line, earth, current transformer,
 * capacitor. All take the point they hang on, in px.
 */
final readonly class PanelSymbols
{
    private const STROKE = 5.0;

    /** Conductors as strokes across a line that runs down; a lost phase is broken. */
    public static function conductors(float $x, float $y, ?int $poles, ?string $lost): string
    {
        $svg = '';
        foreach (range(1, 3) as $i) {
            $isLost = $lost === "L$i";
            $svg .= sprintf(
                '<path class="%s" d="M%.1f %.1fl16 -7"/>',
                $isLost ? 'stroke stroke-lost' : 'stroke',
                $x - 8,
                $y + $i * self::STROKE,
            );
        }
        $words = match ($poles) {
            null => '3 poles or 4: ?',
            4 => '3 + N, 4 poles',
            default => "$poles poles",
        };

        return $svg . sprintf('<text class="detail" x="%.1f" y="%.1f">%s</text>', $x + 13, $y + 14, $words) . ($lost === null ? ''
            : sprintf('<text class="open" x="%.1f" y="%.1f">%s lost</text>', $x + 13, $y + 29, $lost));
    }

    /** Beside a source: earthed, not earthed, or nobody knows. */
    public static function earth(float $x, float $y, ?bool $isEarthed): string
    {
        if ($isEarthed !== true) {
            return sprintf(
                '<text class="detail" x="%.1f" y="%.1f">%s</text>',
                $x + 6,
                $y + 12,
                $isEarthed === null ? 'earth ?' : 'no earth',
            );
        }

        return sprintf(
            '<g class="earth"><title>Neutral earthed here</title><path class="wire" d="M%1$.1f %2$.1fh12v8m-9 0h18m-15 4h12m-9 4h6"/></g>',
            $x,
            $y,
        );
    }

    public static function transformer(float $x, float $y, string $ratio): string
    {
        return sprintf(
            '<circle class="ring" cx="%1$.1f" cy="%2$.1f" r="8"/><text class="detail" x="%3$.1f" y="%4$.1f">3 CT %5$s</text>',
            $x,
            $y,
            $x + 14,
            $y + 4,
            $ratio,
        );
    }

    /** Two plates, with the switch that opens them on the generator. */
    public static function bank(float $x, float $y, float $kvar, bool $isOn): string
    {
        return sprintf(
            '<path class="wire" d="M%1$.1f %2$.1fv10"/><path class="arm" d="M%1$.1f %3$.1fl%4$.1f -13"/>'
                . '<path class="wire" d="M%1$.1f %3$.1fv8"/><path class="arm" d="M%5$.1f %6$.1fh20m-20 7h20"/>',
            $x,
            $y,
            $y + 24,
            $isOn ? 0.0 : -9.0,
            $x - 10,
            $y + 33,
        ) . sprintf(
            '<text class="name" x="%1$.1f" y="%2$.1f" text-anchor="middle">%3$s kvar</text>'
                . '<text class="%4$s" x="%1$.1f" y="%5$.1f" text-anchor="middle">%6$s</text>',
            $x,
            $y + 57,
            PanelMarks::number($kvar),
            $isOn ? 'detail' : 'open',
            $y + 71,
            $isOn ? 'bank' : 'bank off',
        );
    }
}
