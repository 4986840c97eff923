<?php

declare(strict_types=1);

namespace App\Drawing\Phasor;

use App\Drawing\Ink;
use App\Drawing\Pen;

/**
 * Voltages and currents of three phases as arrows: 0° points to the right, angles grow against the clock. Voltages are full lines with an
 * open head, currents broken ones with a full head, so that they differ without color.
 */
final readonly class PhasorDiagram
{
    private const SIZE = 420;
    private const RADIUS = 150;
    private const CURRENT_SHARE = 0.72;
    private const HEAD = 11;
    private const LABEL = 18;

    private Pen $pen;

    /**
     * @param list<array{name: string, size: float, deg: float}> $volts
     * @param list<array{name: string, size: float, deg: float}> $amps
     * @param bool                                               $isAssumed the angles of the voltages were not read
     */
    public function __construct(private array $volts, private array $amps, private bool $isAssumed, bool $isPaper = false)
    {
        $this->pen = new Pen(new Ink($isPaper));
    }

    public function svg(): string
    {
        $middle = self::SIZE / 2;
        $body = sprintf(
            '<circle cx="%1$.1f" cy="%1$.1f" r="%2$d" fill="none" stroke="%3$s"/>',
            $middle,
            self::RADIUS,
            $this->pen->ink->colour('hair'),
        ) . $this->pen->path(
            sprintf('M%.1f %.1fH%.1f', $middle, $middle, $middle + self::RADIUS + 10),
            'hair',
            1,
            'stroke-dasharray="2 4"',
        );
        $most = max([1e-9, ...array_column($this->volts, 'size')]);
        foreach ($this->volts as $one) {
            $body .= $this->arrow($one['name'], self::RADIUS * $one['size'] / $most, $one['deg'], true);
        }
        $most = max([1e-9, ...array_column($this->amps, 'size')]);
        foreach ($this->amps as $one) {
            $body .= $this->arrow($one['name'], self::RADIUS * self::CURRENT_SHARE * $one['size'] / $most, $one['deg'], false);
        }

        return sprintf(
            '<svg class="phasors" width="%1$d" height="%1$d" viewBox="0 0 %1$d %1$d" role="img" aria-label="%2$s">%3$s</svg>',
            self::SIZE,
            Pen::escaped($this->words()),
            $body,
        );
    }

    private function words(): string
    {
        $told = static fn(array $one): string => sprintf('%s %.4g at %.4g°', $one['name'], $one['size'], $one['deg']);

        return 'Phasors' . ($this->isAssumed ? ', angles assumed' : '') . ': '
            . implode(', ', array_map($told, [...$this->volts, ...$this->amps])) . '.';
    }

    private function arrow(string $name, float $length, float $deg, bool $isVolts): string
    {
        $middle = self::SIZE / 2;
        if ($length < 1) {
            return '';
        }
        $at = static fn(float $r, float $off = 0.0): array => [
            $middle + $r * cos(deg2rad($deg)) - $off * sin(deg2rad($deg)), $middle - $r * sin(deg2rad($deg)) - $off * cos(deg2rad($deg)),
        ];
        [$x, $y] = $at($length);
        [$leftX, $leftY] = $at($length - self::HEAD, 4.5);
        [$rightX, $rightY] = $at($length - self::HEAD, -4.5);
        [$labelX, $labelY] = $at($length + self::LABEL);
        $head = sprintf('M%.1f %.1fL%.1f %.1fL%.1f %.1f', $leftX, $leftY, $x, $y, $rightX, $rightY);
        $colour = $isVolts ? 'ink' : 'steel';

        return $this->pen->path(
            sprintf('M%.1f %.1fL%.1f %.1f', $middle, $middle, $x, $y),
            $colour,
            $isVolts ? 2 : 2.5,
            $isVolts ? '' : 'stroke-dasharray="7 4"',
        ) . ($isVolts ? $this->pen->path($head, $colour, 2) : $this->pen->shape("{$head}Z", $colour))
            . $this->pen->text($labelX, $labelY + 5, $name, 'middle', $colour, 14, hasHalo: true, weight: 600);
    }
}
