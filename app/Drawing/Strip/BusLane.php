<?php

declare(strict_types=1);

namespace App\Drawing\Strip;

use Escapement\Core\Simulation\Span;

/** The load bus: which side feeds it, and where it is dark, for how long. */
final readonly class BusLane implements StripLane
{
    private const PIN_PX = 3;
    private const WORDS_FROM_PX = 76;

    /**
     * @param list<Span> $feeds
     * @param list<Span> $before of the run before
     */
    public function __construct(private array $feeds, private array $before, private bool $isTwoSource = false) {}

    public function draw(StripCanvas $canvas): void
    {
        foreach ($this->feeds as $span) {
            $span->state === 'dark' ? $this->drawDark($canvas, $span) : $this->drawLive($canvas, $span);
        }
        foreach ($this->before as $span) {
            if ($span->state === 'dark' && ! in_array($span, $this->feeds, false) && $span->toMs <= $canvas->untilMs) {
                $canvas->bracket($span->fromMs, $span->toMs, $canvas->y + 24);
            }
        }
        $canvas->name(18, 'Load bus');
        $canvas->endLane(27, hasRule: false);
    }

    private function drawDark(StripCanvas $canvas, Span $span): void
    {
        [$x, $width] = $canvas->place($span);
        $out = $width < self::PIN_PX ? 1.5 : 0; // a pin stands out of its lane
        $ink = $canvas->ink();
        $canvas->plot .= $ink->rect(
            $x,
            $canvas->y - $out,
            max(3.4, $width),
            27 + 2 * $out,
            $ink->colour('dark'),
            $ink->colour('dark-edge'),
        );
        $words = 'dark ' . StripCanvas::seconds($span->toMs - $span->fromMs);
        $canvas->words .= $width > self::WORDS_FROM_PX
            ? $canvas->pen->text($x + $width / 2, $canvas->y + 18, $words, 'middle', 'on-dark', 13, weight: 600)
            : $canvas->pen->plate($x + $width + 26, $canvas->y + 18, $words, $canvas->scale->width);
    }

    private function drawLive(StripCanvas $canvas, Span $span): void
    {
        [$x, $width] = $canvas->place($span);
        $colour = $span->state === 'normal' ? 'util' : 'gen';
        $ink = $canvas->ink();
        $canvas->plot .= $ink->bar($colour, $x, $canvas->y + 8, $width, 11);
        if ($width > 24) {
            [$first, $second] = $this->isTwoSource ? ['1', '2'] : ['U', 'G'];
            $letter = $span->state === 'normal' ? $first : $second;
            $canvas->words .= $ink->rect($x + 4, $canvas->y + 5, 17, 17, $ink->colour('sheet'), $ink->colour($colour))
                . $canvas->pen->text($x + 12.5, $canvas->y + 18, $letter, 'middle', $colour, 13, weight: 750);
        }
    }
}
