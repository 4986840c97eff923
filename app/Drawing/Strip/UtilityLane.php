<?php

declare(strict_types=1);

namespace App\Drawing\Strip;

use Escapement\Core\Plant\Source;
use Escapement\Core\Settings\Limit;
use Escapement\Core\Settings\SheetWords;
use Escapement\Core\Simulation\Span;

/** The voltage of the normal source with its limits, and below it what it is declared as. */
final readonly class UtilityLane implements StripLane
{
    /**
     * @param list<array{atMs: int, v: list<float>}> $corners
     * @param list<Span>                             $declared
     */
    public function __construct(
        private Source $source,
        private Limit $limit,
        private array $corners,
        private array $declared,
        private StripHandles $handles,
    ) {}

    public function draw(StripCanvas $canvas): void
    {
        $top = $canvas->y + 6;
        $foot = $canvas->y + 52;
        $highest = max([$this->source->nominalV * 1.15, ...array_merge(...array_column($this->corners, 'v'))]);
        $at = static fn(float $v): float => $foot - $v / $highest * ($foot - $top);
        $this->drawVoltage($canvas, $foot, $at);
        foreach ([
            [$this->limit->pickupPct, '7 3', 'pick-up', 12],
            [$this->limit->dropoutPct, '2 3', 'drop-out', 27],
        ] as [$percent, $dash, $word, $dy]) {
            $v = $this->source->nominalV * $percent / 100;
            $line = sprintf('M0 %.1fH%.1f', $at($v), $canvas->scale->width);
            $canvas->plot .= $canvas->pen->path($line, 'util', more: "stroke-dasharray=\"$dash\"");
            $canvas->note($dy, round($v, 1) . " V $word");
        }
        foreach ($this->declared as $span) {
            [$x, $width] = $canvas->place($span);
            $canvas->plot .= $canvas->ink()->bar($span->state === 'good' ? 'util' : 'dead', $x, $foot + 2, $width, 6);
            if ($span->state === 'lost') {
                $canvas->say($x + 4, $foot - 8, 'declared lost at ' . SheetWords::clock($span->fromMs), 'ink-2');
            }
        }
        $canvas->grips .= $this->handles->svg($canvas, $canvas->y + 1, isOfEngine: false);
        $canvas->name(12, 'Utility');
        $canvas->note(60, 'declared good');
        $canvas->endLane(66);
    }

    /** @param \Closure(float): float $at */
    private function drawVoltage(StripCanvas $canvas, float $foot, \Closure $at): void
    {
        for ($phase = $this->source->phases - 1; $phase >= 0; $phase--) {
            $points = [];
            foreach ($this->corners as $corner) {
                $points[] = sprintf('%.1f %.1f', $canvas->x($corner['atMs']), $at($corner['v'][$phase]));
            }
            $line = implode('L', $points);
            if ($phase === 0) {
                $canvas->plot .= $canvas->pen->shape(
                    sprintf('M0 %1$.1fL%2$sL%3$.1f %1$.1fZ', $foot, $line, $canvas->scale->width),
                    'util-tint',
                );
            }
            $canvas->plot .= $canvas->pen->path("M$line", 'util', 2.4);
        }
    }
}
