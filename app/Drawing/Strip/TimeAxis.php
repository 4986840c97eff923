<?php

declare(strict_types=1);

namespace App\Drawing\Strip;

/** Ticks and clock over the lanes, and the folds of idle time through all of them; drawn last, when the height is known. */
final readonly class TimeAxis
{
    public const ROOM_PX = 44;
    private const BASE_PX = 42;

    public function draw(StripCanvas $canvas): void
    {
        $canvas->labels .= $canvas->pen->text(0, 34, 'Time', size: 13);
        foreach ($canvas->scale->segments as $segment) {
            $segment['isFold'] ? $this->drawFold($canvas, $segment) : $this->drawTicks($canvas, $segment);
        }
    }

    /** @param array{fromMs: int, toMs: int, fromX: float, toX: float, isFold: bool} $fold */
    private function drawFold(StripCanvas $canvas, array $fold): void
    {
        $canvas->plot .= sprintf(
            '<rect x="%.1f" y="%d" width="%.1f" height="%.1f" fill="%s" opacity=".6"/>',
            $fold['fromX'],
            self::BASE_PX,
            $fold['toX'] - $fold['fromX'],
            $canvas->y - self::BASE_PX,
            $canvas->ink()->colour('paper'),
        );
        foreach ([$fold['fromX'] + 6, $fold['toX'] - 6] as $x) {
            $zigzag = sprintf('M%.1f %d', $x, self::BASE_PX) . str_repeat(
                'l3 5l-3 5',
                max(0, (int) ceil(($canvas->y - self::BASE_PX) / 10)),
            );
            $canvas->plot .= $canvas->pen->path($zigzag, 'edge') . $canvas->pen->path(sprintf('M%.1f 46l6 -9', $x - 3), 'ink', 1.2);
        }
        $middle = ($fold['fromX'] + $fold['toX']) / 2;
        $canvas->words .= $canvas->pen->text($middle, 13, self::shortClock($fold['toMs'] - $fold['fromMs']), 'middle', 'ink-2', 13, true);
    }

    /** @param array{fromMs: int, toMs: int, fromX: float, toX: float, isFold: bool} $segment */
    private function drawTicks(StripCanvas $canvas, array $segment): void
    {
        $scale = $canvas->scale;
        $canvas->plot .= $canvas->pen->rule(self::BASE_PX, $segment['fromX'], $segment['toX'], 'ink');
        $labelMs = $scale->tickMs();
        $smallMs = $scale->pxPerS >= 5 ? 1000 : 5000;
        for ($ms = intdiv($segment['fromMs'] + $smallMs - 1, $smallMs) * $smallMs; $ms <= $segment['toMs']; $ms += $smallMs) {
            $x = $scale->x($ms);
            $isLabel = $ms % $labelMs === 0;
            $tick = sprintf('M%.1f %dv-%d', $x, self::BASE_PX, $isLabel ? 9 : ($ms % 5000 === 0 ? 6 : 3));
            $canvas->plot .= $canvas->pen->path($tick, $isLabel ? 'ink' : 'edge');
            if ($isLabel && $x > 14 && $x < $scale->width - 14) {
                $canvas->grid .= $canvas->pen->path(sprintf('M%.1f %dV%.1f', $x, self::ROOM_PX, $canvas->y), 'hair', .6);
                $canvas->words .= $canvas->pen->text(
                    $x,
                    31,
                    self::shortClock($ms),
                    'middle',
                    'ink',
                    13,
                    true,
                    isFigure: true,
                    class: 'tick',
                );
            }
        }
    }

    private static function shortClock(int $ms): string
    {
        $s = intdiv($ms + 500, 1000);

        return $s < 60 && $ms % 1000 !== 0 ? sprintf("%.0f\u{202F}s", $ms / 1000) : sprintf('%d:%02d', intdiv($s, 60), $s % 60);
    }
}
