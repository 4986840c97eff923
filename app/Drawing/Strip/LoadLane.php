<?php

declare(strict_types=1);

namespace App\Drawing\Strip;

use Escapement\Core\Plant\Load;
use Escapement\Core\Simulation\Span;

/** One load: fed, shed or dark. */
final readonly class LoadLane implements StripLane
{
    private const MOST_LETTERS = 13;
    private const WORDS_FROM_PX = 44;

    /**
     * @param list<Span> $feeds
     * @param list<Span> $states on or shed
     */
    public function __construct(private Load $load, private array $feeds, private array $states) {}

    public function draw(StripCanvas $canvas): void
    {
        foreach ($this->feeds as $span) {
            foreach (StripCanvas::pieces($span, $this->states) as $piece) {
                $this->drawPiece($canvas, $piece, $span->state);
            }
        }
        $name = $this->load->id;
        $name = mb_strlen($name) > self::MOST_LETTERS ? mb_substr($name, 0, self::MOST_LETTERS - 1) . '…' : $name;
        $canvas->labels .= $canvas->pen->text(0, $canvas->y + 15, $name, size: 13);
        $canvas->note(15, sprintf("%.1f\u{202F}kW", $this->load->kw), isFigure: true);
        $canvas->endLane(20, hasRule: false);
    }

    private function drawPiece(StripCanvas $canvas, Span $piece, string $feed): void
    {
        [$x, $width] = $canvas->place($piece);
        $ink = $canvas->ink();
        if ($feed === 'dark') {
            $canvas->plot .= $ink->rect($x, $canvas->y, max(3.4, $width), 20, $ink->colour('dark'));
        } elseif ($piece->state === 'shed') {
            $canvas->plot .= $ink->bar('shed', $x, $canvas->y, $width, 20);
            if ($width >= self::WORDS_FROM_PX) {
                $canvas->words .= $ink->rect($x + 2, $canvas->y + 3, 38, 15, $ink->colour('dark'))
                    . $canvas->pen->text($x + 6, $canvas->y + 15, 'shed', colour: 'on-dark', size: 13, weight: 600);
            }
        } else {
            $canvas->plot .= $ink->bar($feed === 'normal' ? 'util' : 'gen', $x, $canvas->y + 6, $width, 9);
        }
    }
}
