<?php

declare(strict_types=1);

namespace App\Stage\Rehearsal\Strip;

use Escapement\Core\Rehearsal\Overload;

/** Where the source is asked for more than it gives: a framed bar in the colour of a stop, with both figures in words. */
final readonly class OverloadLane
{
    public const HEIGHT = 27;

    public function __construct(private StripScale $scale, private Ink $ink) {}

    /** @param float $y upper edge of the lane */
    public function svg(Overload $overload, float $y): string
    {
        $svg = '';
        foreach ($overload->spans as $span) {
            $x = $this->scale->x($span->fromMs);
            $width = max(3.4, $this->scale->x($span->toMs) - $x);
            $svg .= $this->ink->rect($x, $y + 3, $width, self::HEIGHT - 6, $this->ink->colour('sheet'), $this->ink->colour('stop'))
                . $this->ink->rect($x, $y + 3, min($width, 4), self::HEIGHT - 6, $this->ink->colour('stop'));
            $words = sprintf("%s\u{202F}kW on %s\u{202F}kW", round($span->mostKw, 1), round($overload->sourceKw, 1));
            if ($width > 9 * mb_strlen($words)) {
                $svg .= sprintf(
                    '<text x="%.1f" y="%.1f" fill="%s" font-size="13" font-weight="%s">%s</text>',
                    $x + 10,
                    $y + 18,
                    $this->ink->colour('stop'),
                    $this->ink->weight(600),
                    $words,
                );
            }
        }

        return sprintf('<g class="strip-overload">%s</g>', $svg);
    }
}
