<?php

declare(strict_types=1);

namespace App\Drawing\Wiring;

use App\Drawing\Pen;
use Escapement\Core\WiringView\ViewedTerminal;

/** The contacts of an enclosure: a blade per leg, in line where closed, thrown out where open. */
final readonly class PoleDrawing
{
    private const BLADE_PX = 26.0;

    public function __construct(private Pen $pen, private WiringGrid $grid) {}

    /** @param array<string, ViewedTerminal> $terminals by id */
    public function of(Pole $pole, array $terminals): string
    {
        $drawn = '';
        $legs = [];
        foreach ($terminals as $upper) {
            $lower = $upper->node === $pole->upper && $upper->leg !== null ? $terminals["$pole->lower.$upper->leg"] ?? null : null;
            if ($lower !== null && $lower->column === $upper->column) {
                $legs[] = $this->grid->columnX($upper->column);
                $drawn .= $this->blade($this->grid->box($upper), $this->grid->box($lower), $pole->isClosed);
            }
        }
        if ($legs === []) {
            return '';
        }
        $y = $this->middle($pole, $terminals) - 9 * (count($pole->notes) - 1) + 4;
        foreach ($pole->notes as $i => $note) {
            $drawn .= $this->pen->text(min($legs) + 16, $y + 18 * $i, $note, 'start', 'ink-2', 13);
        }

        return $drawn;
    }

    /**
     * @param array{x: float, y: float, width: float, height: float} $upper
     * @param array{x: float, y: float, width: float, height: float} $lower
     */
    private function blade(array $upper, array $lower, bool $isClosed): string
    {
        $x = $upper['x'] + $upper['width'] / 2;
        [$from, $to] = [$upper['y'] + $upper['height'], $lower['y']];
        $top = ($from + $to - self::BLADE_PX) / 2;
        $foot = $top + self::BLADE_PX;
        $blade = $isClosed ? sprintf('M%.1f %.1fV%.1f', $x, $top, $foot) : sprintf('M%.1f %.1fL%.1f %.1f', $x, $foot, $x - 14, $top + 3);

        return $this->pen->path(sprintf('M%1$.1f %2$.1fV%3$.1fM%1$.1f %4$.1fV%5$.1f', $x, $from, $top, $foot, $to), 'ink', 2)
            . $this->pen->path($blade, 'ink', 3.2) . $this->dot($x, $top) . $this->dot($x, $foot);
    }

    private function dot(float $x, float $y): string
    {
        return sprintf('<circle cx="%.1f" cy="%.1f" r="3.6" fill="%s"/>', $x, $y, $this->pen->ink->colour('ink'));
    }

    /** @param array<string, ViewedTerminal> $terminals */
    private function middle(Pole $pole, array $terminals): float
    {
        foreach ($terminals as $upper) {
            $lower = $upper->node === $pole->upper ? $terminals["$pole->lower.$upper->leg"] ?? null : null;
            if ($lower !== null) {
                $box = $this->grid->box($upper);

                return ($box['y'] + $box['height'] + $this->grid->box($lower)['y']) / 2;
            }
        }

        return 0.0;
    }
}
