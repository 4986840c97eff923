<?php

declare(strict_types=1);

namespace App\Drawing;

/** Words and lines of a drawing, for screen and paper alike. */
final readonly class Pen
{
    private const LETTER_PX = 6.8;

    public function __construct(public Ink $ink) {}

    /** How wide words of the usual size come out, about. */
    public static function widthPx(string $words): float
    {
        return mb_strlen($words) * self::LETTER_PX;
    }

    public static function escaped(string $words): string
    {
        return htmlspecialchars($words, ENT_QUOTES | ENT_XML1);
    }

    /** @param string $anchor start, middle or end */
    public function text(
        float $x,
        float $y,
        string $words,
        string $anchor = 'start',
        string $colour = 'ink',
        int $size = 14,
        bool $hasHalo = false,
        bool $isFigure = false,
        int $weight = 400,
        string $class = '',
    ): string {
        // The PDF renderer has no paint-order: it would draw the halo over the words.
        $halo = $hasHalo && ! $this->ink->isPrint ? sprintf(
            ' paint-order="stroke" stroke="%s" stroke-width="4"',
            $this->ink->colour('paper'),
        ) : '';
        $class = trim($class . ($isFigure ? ' fig' : ''));

        return sprintf(
            '<text x="%.1f" y="%.1f" text-anchor="%s" font-size="%d" font-weight="%s" fill="%s"%s%s>%s</text>',
            $x,
            $y,
            $anchor,
            $size,
            $this->ink->weight($weight),
            $this->ink->colour($colour),
            $halo,
            $class === '' ? '' : " class=\"$class\"",
            self::escaped($words),
        );
    }

    /** Words on a plate of paper, for a place where a pattern lies under them. */
    public function plate(float $x, float $y, string $words, float $untilX): string
    {
        $width = self::widthPx($words) + 6;
        $x = min($x, $untilX - $width);

        return $this->ink->rect(
            $x,
            $y - 13,
            $width,
            17,
            $this->ink->colour('paper'),
        ) . $this->text($x + 3, $y, $words, size: 13, weight: 600);
    }

    /** @param string $more attributes, such as a dash array */
    public function path(string $d, string $colour, float $widthPx = 1, string $more = ''): string
    {
        return sprintf(
            '<path d="%s" fill="none" stroke="%s" stroke-width="%.1f"%s/>',
            $d,
            $this->ink->colour($colour),
            $widthPx,
            $more === '' ? '' : " $more",
        );
    }

    public function shape(string $d, string $fill, ?string $stroke = null): string
    {
        $line = $stroke === null ? '' : sprintf(' stroke="%s"', $this->ink->colour($stroke));

        return sprintf('<path d="%s" fill="%s"%s/>', $d, $this->ink->colour($fill), $line);
    }

    public function rule(float $y, float $fromX, float $toX, string $colour = 'hair'): string
    {
        return $this->path(sprintf('M%.1f %.1fH%.1f', $fromX, $y, $toX), $colour);
    }
}
