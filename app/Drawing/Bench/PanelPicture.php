<?php

declare(strict_types=1);

namespace App\Drawing\Bench;

use App\Drawing\Ink;
use App\Drawing\Pen;

/**
 * The front of an installation as it stands: two sources, their disconnects, the switch with its blades, the bus and what hangs on it.
 * Solid is live from the first source, beaded from the second, hollow is dead.
 */
final readonly class PanelPicture
{
    private const WIDTH = 520;
    private const HEIGHT = 430;
    private const LEG_PX = 15;
    private const BOX = [190, 48];
    private const LEFT_X = 100;
    private const RIGHT_X = 420;
    private const MIDDLE_X = 260;
    private const HOUSE = [160, 200];
    private const BUS = [14, 506];
    private const SOURCES_Y = 8;
    private const OPENER_Y = 92;
    private const BLADE_Y = 200;
    private const HINGE_Y = 254;
    private const BUS_Y = 318;
    private const LOAD_Y = 372;
    private const MOST_LOADS = 6;
    private const LIVE_V = 1.0;
    private const LETTER_PX = 7.5;

    private Pen $pen;

    public function __construct(private PanelMoment $now)
    {
        $this->pen = new Pen(new Ink(false));
    }

    public function svg(string $label): string
    {
        return sprintf(
            '<svg class="panel-picture" viewBox="0 0 %d %d" role="img" aria-label="%s">%s</svg>',
            self::WIDTH,
            self::HEIGHT,
            Pen::escaped($label),
            $this->source(0) . $this->source(1) . $this->housing() . $this->bus() . $this->loads(),
        );
    }

    private function source(int $side): string
    {
        $x = [self::LEFT_X, self::RIGHT_X][$side];
        $volts = $this->now->volts[$side];
        $tone = $this->tone($side);
        $box = $this->pen->ink->rect(
            $x - self::BOX[0] / 2,
            self::SOURCES_Y,
            self::BOX[0],
            self::BOX[1],
            $this->pen->ink->colour('sheet'),
            $this->pen->ink->colour($tone),
        );
        $mark = $this->pen->ink->rect($x - self::BOX[0] / 2, self::SOURCES_Y, 26, self::BOX[1], $this->pen->ink->colour($tone));
        $letter = $this->now->isSecondGenerator ? ['U', 'G'][$side] : ['U1', 'U2'][$side];
        $svg = $box . $mark
            . $this->pen->text($x - self::BOX[0] / 2 + 13, self::SOURCES_Y + 30, $letter, 'middle', 'on-dark', weight: 700)
            . $this->pen->text($x - self::BOX[0] / 2 + 34, self::SOURCES_Y + 20, $this->now->names[$side], weight: 700)
            . $this->pen->text(
                $x - self::BOX[0] / 2 + 34,
                self::SOURCES_Y + 39,
                sprintf('%.2f Hz', $this->now->hertz[$side]),
                isFigure: true,
            );
        foreach ($this->legsAt($x) as $leg => $at) {
            $isLive = ($volts[$leg] ?? 0.0) > self::LIVE_V;
            $isClosed = $this->now->isClosed[$side];
            $foot = self::BLADE_Y - 30 + self::LEG_PX * ($side === 0 ? $leg : $this->now->legs - 1 - $leg); // so that none crosses
            $contact = $this->contactX($side, $leg);
            $isLiveAbove = $isLive || ! $isClosed && $side === 0;
            $svg .= $this->tube(sprintf('M%.1f %dV%d', $at, self::SOURCES_Y + self::BOX[1], self::OPENER_Y), $side, $isLiveAbove)
                . $this->opener($at, $isClosed)
                . $this->tube(
                    sprintf('M%.1f %dV%.1fH%.1fV%d', $at, self::OPENER_Y + 26, $foot, $contact, self::BLADE_Y),
                    $side,
                    $isLive && $isClosed,
                )
                . $this->pen->text(
                    $side === 0 ? $x + 34 : $x - 34,
                    self::OPENER_Y + 4 + 18 * $leg,
                    sprintf('L%d %.1f V', $leg + 1, $volts[$leg] ?? 0.0),
                    $side === 0 ? 'start' : 'end',
                    isFigure: true,
                );
        }

        return $svg;
    }

    /** The blades: one a leg, on a contact or between them. */
    private function housing(): string
    {
        $svg = $this->pen->ink->rect(self::HOUSE[0], self::BLADE_Y - 50, self::HOUSE[1], 128, 'none', $this->pen->ink->colour('ink'))
            . $this->pen->text(self::HOUSE[0] + 8, self::HINGE_Y + 18, $this->now->switchName, size: 13, weight: 600);
        foreach ($this->legsAt(self::MIDDLE_X) as $leg => $hinge) {
            $tip = match (true) {
                $this->now->isMoving, $this->now->position === 'off' => [$hinge, self::BLADE_Y + 12],
                default => [$this->contactX($this->now->position === 'normal' ? 0 : 1, $leg), self::BLADE_Y + 2],
            };
            foreach ([0, 1] as $side) {
                $svg .= sprintf(
                    '<circle cx="%.1f" cy="%d" r="4" fill="%s" stroke="%s" stroke-width="1.6"/>',
                    $this->contactX($side, $leg),
                    self::BLADE_Y + 2,
                    $this->pen->ink->colour('paper'),
                    $this->pen->ink->colour('ink'),
                );
            }
            $svg .= $this->pen->path(sprintf('M%.1f %dL%.1f %.1f', $hinge, self::HINGE_Y, $tip[0], $tip[1]), 'ink', 4)
                . sprintf('<circle cx="%.1f" cy="%d" r="4.5" fill="%s"/>', $hinge, self::HINGE_Y, $this->pen->ink->colour('ink'));
        }

        return $svg;
    }

    private function bus(): string
    {
        $side = $this->feeding();
        $svg = '';
        foreach ($this->legsAt(self::MIDDLE_X) as $leg => $hinge) {
            $y = self::BUS_Y + self::LEG_PX * $leg * 0.8;
            $isLive = $side !== null && ($this->now->volts[$side][$leg] ?? 0.0) > self::LIVE_V && $this->now->isClosed[$side];
            $svg .= $this->tube(sprintf('M%.1f %dV%.1f', $hinge, self::HINGE_Y + 4, $y), $side ?? 0, $isLive)
                . $this->tube(sprintf('M%d %.1fH%d', self::BUS[0], $y, self::BUS[1]), $side ?? 0, $isLive);
        }

        return $svg;
    }

    private function loads(): string
    {
        $shown = array_slice($this->now->loads, 0, self::MOST_LOADS);
        $more = count($this->now->loads) - count($shown);
        $items = array_map(static fn(array $load): array => [$load['name'], sprintf('%.1f kW', $load['kw']), $load['isOn']], $shown);
        if ($more > 0) {
            $items[] = ["and $more more", '', true];
        }
        if ($this->now->bankKw !== null) {
            $items[] = ['Load bank', sprintf('%.1f of %.1f kW', ...$this->now->bankKw), $this->now->bankKw[0] > 0];
        }
        $side = $this->feeding();
        $step = (self::BUS[1] - self::BUS[0]) / max(1, count($items));
        $svg = '';
        foreach ($items as $i => [$name, $kw, $isOn]) {
            $x = self::BUS[0] + $step * ($i + 0.5);
            $isLive = $side !== null && $isOn && $this->now->isClosed[$side] && $this->now->isPanelMainClosed;
            $foot = self::BUS_Y + self::LEG_PX * 0.8 * ($this->now->legs - 1);
            $short = mb_strimwidth($name, 0, (int) ($step / self::LETTER_PX), '…');
            $svg .= $this->tube(sprintf('M%.1f %.1fV%d', $x, $foot, self::LOAD_Y), $side ?? 0, $isLive)
                . $this->pen->ink->bar($isLive ? $this->tone($side) : 'dead', $x - 32, self::LOAD_Y, 64, 13)
                . $this->pen->text($x, self::LOAD_Y + 30, $short, 'middle', size: 13, weight: 600)
                . $this->pen->text($x, self::LOAD_Y + 47, $isOn ? $kw : 'off', 'middle', size: 13, isFigure: true);
        }

        return $svg;
    }

    /** @return null|0|1 which source is on the bus */
    private function feeding(): ?int
    {
        return $this->now->isMoving ? null : match ($this->now->position) {
            'normal' => 0,
            'emergency' => 1,
            default => null,
        };
    }

    private function opener(float $x, bool $isClosed): string
    {
        $top = self::OPENER_Y;

        return $this->pen->path(
            $isClosed ? sprintf('M%.1f %dV%d', $x, $top, $top + 26) : sprintf('M%.1f %dL%.1f %d', $x, $top + 26, $x - 10, $top + 4),
            'ink',
            3,
        ) . sprintf('<circle cx="%.1f" cy="%d" r="3.5" fill="%s"/>', $x, $top + 26, $this->pen->ink->colour('ink'));
    }

    private function tube(string $path, int $side, bool $isLive): string
    {
        if (! $isLive) {
            return $this->pen->path($path, 'dead', 5) . $this->pen->path($path, 'sheet', 3);
        }

        return $this->tone($side) === 'util' ? $this->pen->path($path, 'util', 5)
            : $this->pen->path($path, 'gen', 6) . $this->pen->path($path, 'gen-tint', 3, 'stroke-dasharray="3.4 4.6"');
    }

    private function tone(int $side): string
    {
        return $side === 1 && $this->now->isSecondGenerator ? 'gen' : 'util';
    }

    /** @return list<float> */
    private function legsAt(float $x): array
    {
        return array_map(
            fn(int $leg): float => $x + self::LEG_PX * ($leg - ($this->now->legs - 1) / 2),
            range(0, $this->now->legs - 1),
        );
    }

    private function contactX(int $side, int $leg): float
    {
        return $this->legsAt($side === 0 ? self::MIDDLE_X - 62 : self::MIDDLE_X + 62)[$leg];
    }
}
