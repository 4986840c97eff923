<?php

declare(strict_types=1);

namespace App\Drawing;

/**
 * How things are filled: by the page's own colours and patterns on the screen; on paper with plain colours and drawn
 * hatching, because a PDF renderer knows neither custom properties nor patterns.
 */
final readonly class Ink
{
    private const PRINT = [
        'paper' => '#ffffff', 'sheet' => '#ffffff', 'ink' => '#000000', 'ink-2' => '#333333', 'hair' => '#999999', 'edge' => '#666666',
        'util' => '#0a5a64',
        'util-tint' => '#d5e2dd',
        'gen' => '#a23f07',
        'gen-tint' => '#f3ddcb',
        'dead' => '#56636d',
        'dead-tint' => '#e6e3da',
        'dark' => '#000000',
        'dark-edge' => '#000000',
        'on-dark' => '#ffffff',
        'steel' => '#263f94',
        'steel-tint' => '#dfe1ec',
        'stop' => '#97183a',
    ];

    public function __construct(public bool $isPrint) {}

    public function colour(string $name): string
    {
        return $this->isPrint ? self::PRINT[$name] : "var(--esc-$name)";
    }

    /** The PDF renderer takes any number for bold. */
    public function weight(int $weight): string
    {
        return $this->isPrint ? ($weight > 500 ? 'bold' : 'normal') : (string) $weight;
    }

    /** A bar in the pattern of util, gen, gen-idle, dead or shed. */
    public function bar(string $pattern, float $x, float $y, float $width, float $height): string
    {
        $width = max(0.0, $width);
        if ($pattern === 'util') {
            return $this->rect($x, $y, $width, $height, $this->colour('util'));
        }
        if (! $this->isPrint) {
            return $this->rect($x, $y, $width, $height, "url(#p-$pattern)");
        }
        [$ground, $line, $stepPx] = match ($pattern) {
            'gen' => ['gen-tint', 'gen', 5.0],
            'gen-idle' => ['sheet', 'gen', 7.0],
            'shed' => ['dark', 'on-dark', 5.0],
            'storm' => ['paper', 'hair', 10.0],
            'late' => ['sheet', 'stop', 5.0],
            default => ['dead-tint', 'dead', 6.0],
        };

        return $this->rect($x, $y, $width, $height, $this->colour($ground), $this->colour($line))
            . $this->hatch($x, $y, $width, $height, $stepPx, $this->colour($line), $pattern === 'gen' ? 2.0 : 0.8);
    }

    public function rect(float $x, float $y, float $width, float $height, string $fill, ?string $stroke = null): string
    {
        $line = $stroke === null ? '' : sprintf(' stroke="%s" stroke-width=".8"', $stroke);

        return sprintf('<rect x="%.1f" y="%.1f" width="%.1f" height="%.1f" fill="%s"%s/>', $x, $y, $width, $height, $fill, $line);
    }

    private function hatch(float $x, float $y, float $width, float $height, float $stepPx, string $colour, float $strokePx): string
    {
        $path = '';
        for ($from = $x - $height; $from < $x + $width; $from += $stepPx) {
            $left = max($x, $from);
            $right = min($x + $width, $from + $height);
            if ($right > $left) {
                $path .= sprintf('M%.1f %.1fL%.1f %.1f', $left, $y + $height - ($left - $from), $right, $y + $height - ($right - $from));
            }
        }

        return $path === '' ? '' : sprintf('<path d="%s" stroke="%s" stroke-width="%.1f" fill="none"/>', $path, $colour, $strokePx);
    }
}
