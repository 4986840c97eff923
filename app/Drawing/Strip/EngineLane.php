<?php

declare(strict_types=1);

namespace App\Drawing\Strip;

use Escapement\Core\Simulation\Metrics;
use Escapement\Core\Simulation\Span;

/** The engine: teeth while it cranks, a ramp while it runs up, a full bar while it runs, a thin one while it cools down. */
final readonly class EngineLane implements StripLane
{
    private const TOOTH_MS = 500;
    private const MOST_TEETH = 60;

    /** @param list<Span> $spans of the lane Engine */
    public function __construct(private array $spans, private Metrics $metrics, private StripHandles $handles) {}

    public function draw(StripCanvas $canvas): void
    {
        $top = $canvas->y + 20;
        $foot = $canvas->y + 46;
        $canvas->plot .= $canvas->pen->rule($canvas->y, 0, $canvas->scale->width);
        $crank = 0;
        foreach ($this->spans as $span) {
            $crank += $span->state === 'cranking' ? 1 : 0;
            $this->drawSpan($canvas, $span, $top, $foot, $crank);
        }
        $canvas->plot .= $canvas->pen->rule($foot, 0, $canvas->scale->width);
        $canvas->grips .= $this->handles->svg($canvas, $canvas->y + 1, isOfEngine: true);
        $canvas->name(16, 'Engine');
        $canvas->note(16, 'run ' . StripCanvas::seconds($this->metrics->engineRunMs));
        $canvas->note(33, 'loaded ' . StripCanvas::seconds($this->metrics->engineLoadedMs));
        $canvas->endLane(53);
    }

    private function drawSpan(StripCanvas $canvas, Span $span, float $top, float $foot, int $crank): void
    {
        [$x, $width] = $canvas->place($span);
        $ink = $canvas->ink();
        $words = $canvas->y + 14;
        switch ($span->state) {
            case 'cranking':
                $canvas->plot .= $this->teeth($canvas, $x, $width, $foot, $span->toMs - $span->fromMs);
                $canvas->say($x, $words, ($crank > 1 ? "crank $crank " : 'crank ') . StripCanvas::seconds($span->toMs - $span->fromMs));
                break;
            case 'running_up':
                $canvas->plot .= $canvas->pen->shape(
                    sprintf('M%1$.1f %2$.1fL%3$.1f %4$.1fV%2$.1fZ', $x, $foot, $x + $width, $top),
                    'gen-tint',
                    'gen',
                );
                break;
            case 'running':
                $canvas->plot .= $ink->bar('gen', $x, $top, $width, $foot - $top)
                    . $canvas->pen->path(sprintf('M%.1f %.1fH%.1f', $x, $top, $x + $width), 'gen', 1.4);
                break;
            case 'cooling':
                $canvas->plot .= $ink->bar('gen-idle', $x, $top, $width, $foot - $top)
                    . $ink->rect($x, $top, $width, $foot - $top, 'none', $ink->colour('gen'));
                $canvas->say($x + 4, $words, 'cools');
                break;
            case 'coasting':
                $line = sprintf('M%.1f %.1fL%.1f %.1f', $x, $top, $x + max(2, $width), $foot);
                $canvas->plot .= $canvas->pen->path($line, 'gen', more: 'stroke-dasharray="4 3"');
                $canvas->say($x + 6, $words, 'stops');
                break;
            case 'locked_out':
                $canvas->plot .= $ink->rect($x + 2, $top + 2, 16, 16, $ink->colour('stop')) . $ink->rect(
                    $x + 5,
                    $top + 8.5,
                    10,
                    3,
                    $ink->colour('sheet'),
                );
                $canvas->say($x + 24, $top + 16, 'locked out', 'stop', 600);
                break;
        }
    }

    private function teeth(StripCanvas $canvas, float $x, float $width, float $foot, int $lengthMs): string
    {
        $teeth = max(1, min(self::MOST_TEETH, intdiv($lengthMs, self::TOOTH_MS)));
        $svg = '';
        for ($i = 0; $i < $teeth; $i++) {
            $svg .= $canvas->pen->shape(
                sprintf('M%.1f %.1fl%.1f -15v15z', $x + $width * $i / $teeth, $foot, max(1.5, $width / $teeth)),
                'ink',
            );
        }

        return $svg;
    }
}
