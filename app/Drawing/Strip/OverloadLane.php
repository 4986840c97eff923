<?php

declare(strict_types=1);

namespace App\Drawing\Strip;

use Escapement\Core\Rehearsal\Overload;

/** Where the source is asked for more than it gives: a framed bar in the colour of a stop, with both figures in words. */
final readonly class OverloadLane implements StripLane
{
    private const HEIGHT = 27;

    public function __construct(private Overload $overload) {}

    public function draw(StripCanvas $canvas): void
    {
        $ink = $canvas->ink();
        $svg = '';
        foreach ($this->overload->spans as $span) {
            $x = $canvas->x($span->fromMs);
            $width = max(3.4, $canvas->x($span->toMs) - $x);
            $svg .= $ink->rect($x, $canvas->y + 3, $width, self::HEIGHT - 6, $ink->colour('sheet'), $ink->colour('stop'))
                . $ink->rect($x, $canvas->y + 3, min($width, 4), self::HEIGHT - 6, $ink->colour('stop'));
            $words = sprintf("%s\u{202F}kW on %s\u{202F}kW", round($span->mostKw, 1), round($this->overload->sourceKw, 1));
            if ($width > 9 * mb_strlen($words)) {
                $svg .= $canvas->pen->text($x + 10, $canvas->y + 18, $words, colour: 'stop', size: 13, weight: 600);
            }
        }
        $canvas->plot .= "<g class=\"strip-overload\">$svg</g>";
        $canvas->name(18, 'Overload', 'stop');
        $canvas->endLane(self::HEIGHT, hasRule: false);
    }
}
