<?php

declare(strict_types=1);

namespace App\Drawing\Wiring;

use App\Drawing\Ink;
use App\Drawing\Pen;
use Escapement\Core\WiringView\Control;

/** The terminal strip of a switch: what lands on it, what stays live there, and its option jumpers as they are and as they should be. */
final readonly class StripDrawing
{
    private const LEFT_PX = 14;
    private const ROW_PX = 34;
    private const BOX_PX = 150;
    private const TOP_PX = 12;
    private const WIDTH_PX = 640;
    private const JUMPER_PX = 44;

    private Pen $pen;

    /**
     * @param list<Control>                                                                  $controls in the order of the strip
     * @param array<string, list<string>>                                                    $wires    what lands, by terminal, in words
     * @param list<array{function: string, a: string, b: string, fitted: ?bool, wanted: ?bool}> $options
     */
    public function __construct(private array $controls, private array $wires, private array $options, bool $isPrint = false)
    {
        $this->pen = new Pen(new Ink($isPrint));
    }

    public function svg(): string
    {
        $height = 2 * self::TOP_PX + self::ROW_PX * count($this->controls);
        $rows = $places = [];
        foreach ($this->controls as $place => $control) {
            $places[$control->id] = self::TOP_PX + ($place + 0.5) * self::ROW_PX;
            $rows[] = $this->terminal($control, $places[$control->id]);
        }
        $lane = 0;
        foreach ($this->options as $option) {
            if (isset($places[$option['a']], $places[$option['b']])) {
                $rows[] = $this->jumper($option, $places[$option['a']], $places[$option['b']], $lane++);
            }
        }

        return sprintf(
            '<svg xmlns="http://www.w3.org/2000/svg" class="wiring-view" viewBox="0 0 %1$d %2$d" width="%1$d" height="%2$d" role="img" '
                . 'aria-label="Terminal strip">%3$s</svg>',
            self::WIDTH_PX,
            $height,
            implode('', $rows),
        );
    }

    public function pdfImage(): string
    {
        return 'data:image/svg+xml;base64,' . base64_encode($this->svg());
    }

    private function terminal(Control $control, float $y): string
    {
        $ink = $this->pen->ink;
        $left = self::LEFT_PX + self::JUMPER_PX * max(1, count($this->options));
        $isForeign = $control->fedBy !== null;

        return $ink->rect($left, $y - 13, self::BOX_PX, 26, $ink->colour('sheet'), $ink->colour($isForeign ? 'stop' : 'ink'))
            . $this->pen->text($left + 8, $y + 5, mb_strimwidth($control->id, 0, 20, '…'), weight: 600)
            . $this->pen->text(
                $left + self::BOX_PX + 12,
                $y + 5,
                implode('; ', $this->wires[$control->id] ?? []) . ($isForeign ? ': stays live' : ''),
                colour: $isForeign ? 'stop' : 'ink-2',
                size: 13,
            );
    }

    /** @param array{function: string, a: string, b: string, fitted: ?bool, wanted: ?bool} $option */
    private function jumper(array $option, float $from, float $to, int $lane): string
    {
        $right = self::LEFT_PX + self::JUMPER_PX * max(1, count($this->options));
        $x = $right - 16 - $lane * self::JUMPER_PX;
        $d = sprintf('M%.1f %.1fH%.1fV%.1fH%1$.1f', $right, $from, $x, $to);
        [$colour, $dash, $words] = match (true) {
            $option['fitted'] === null || $option['wanted'] === null => ['ink-2', 'stroke-dasharray="2 5"', '?'],
            $option['fitted'] === $option['wanted'] => [
                'ink', $option['fitted'] ? '' : 'stroke-dasharray="1 7"', $option['fitted'] ? 'in' : 'out',
            ],
            $option['wanted'] => ['stop', 'stroke-dasharray="6 4"', 'fit'],
            default => ['stop', '', 'out!'],
        };

        return $this->pen->path($d, $colour, 4, $dash)
            . $this->pen->text($x - 4, ($from + $to) / 2 + 5, $words, 'end', $colour, 13, weight: 600);
    }
}
