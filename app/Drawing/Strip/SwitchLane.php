<?php

declare(strict_types=1);

namespace App\Drawing\Strip;

use Escapement\Core\Settings\SheetWords;
use Escapement\Core\Simulation\Span;

/** The switch on its three rails: closed on the normal source, moving, closed on the other one. */
final readonly class SwitchLane implements StripLane
{
    /**
     * @param list<Span> $positions
     * @param list<Span> $feeds     which side feeds the loads
     */
    public function __construct(private array $positions, private array $feeds, private bool $isTwoSource) {}

    public function draw(StripCanvas $canvas): void
    {
        $rails = ['normal' => $canvas->y + 12, 'off' => $canvas->y + 26, 'emergency' => $canvas->y + 41];
        foreach ($rails as $state => $rail) {
            $line = sprintf('M0 %.1fH%.1f', $rail, $canvas->scale->width);
            $canvas->plot .= $state === 'off' ? $canvas->pen->path(
                $line,
                'hair',
                more: 'stroke-dasharray="2 4"',
            ) : $canvas->pen->path($line, 'edge');
        }
        foreach ($this->positions as $i => $span) {
            [$x, $width] = $canvas->place($span);
            if ($span->state === 'off') {
                $canvas->plot .= $canvas->pen->path(sprintf('M%.1f %.1fH%.1f', $x, $rails['off'], $x + $width), 'ink', 2.6);
                continue;
            }
            $this->drawClosed($canvas, $span, $rails[$span->state] ?? $rails['off']);
            if ($i > 0) {
                $this->drawMove($canvas, $span, $x, $rails);
            }
        }
        $canvas->name(16, 'Switch');
        $canvas->note(17, $this->isTwoSource ? 'U1' : 'U', 'util', 14, weight: 750);
        $canvas->note(31, 'between');
        $canvas->note(46, $this->isTwoSource ? 'U2' : 'G', $this->isTwoSource ? 'util' : 'gen', 14, weight: 750);
        $canvas->endLane(56);
    }

    private function drawClosed(StripCanvas $canvas, Span $span, float $rail): void
    {
        foreach (StripCanvas::pieces($span, $this->feeds) as $piece) {
            [$x, $width] = $canvas->place($piece);
            $pattern = $piece->state === 'dark' ? 'dead' : ($span->state === 'normal' ? 'util' : 'gen');
            $canvas->plot .= $canvas->ink()->bar($pattern, $x, $rail - 4.5, $width, 9);
        }
    }

    /** @param array{normal: float, off: float, emergency: float} $rails */
    private function drawMove(StripCanvas $canvas, Span $span, float $x, array $rails): void
    {
        $isUp = $span->state === 'normal';
        [$from, $to] = $isUp ? [$rails['emergency'], $rails['normal'] + 5] : [$rails['normal'], $rails['emergency'] - 5];
        $canvas->plot .= $canvas->pen->path(sprintf('M%.1f %.1fV%.1f', $x, $from, $to), 'ink', 2.6)
            . $canvas->pen->shape(sprintf('M%.1f %.1fl-4 %dh8z', $x, $to, $isUp ? 7 : -7), 'ink');
        $canvas->say($x + 9, $canvas->y + 30, ($isUp ? 'back at ' : '') . SheetWords::clock($span->fromMs));
    }
}
