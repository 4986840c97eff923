<?php

declare(strict_types=1);

namespace App\Drawing\Panel;

use Escapement\Core\Panel\WaySupply;

/** The bus bars of a three-phase panel with its capacitor bank and its outgoing ways, in rows. Rule: docs/rules.md#panel-one-line. */
final readonly class BusBars
{
    private const WAY_PX = 74;
    private const ROW_PX = 106;
    private const LEFT_PX = 14;
    private const NAME_CHARACTERS = 10;

    private int $perRow;

    /**
     * @param 'normal'|'off'|'emergency' $on
     * @param ?string                    $lost phase of the first source
     */
    public function __construct(private PanelMarks $marks, private string $on, private ?string $lost, private int $width)
    {
        $this->perRow = max(1, intdiv($width - 2 * self::LEFT_PX, self::WAY_PX));
    }

    public function height(): int
    {
        return 34 + self::ROW_PX * (int) ceil($this->count() / $this->perRow);
    }

    /**
     * @param float $x where its feed comes down
     * @param float $y foot of the panel
     */
    public function svg(float $x, float $y): string
    {
        $class = match ($this->on) {
            'normal' => 'util',
            'emergency' => 'gen',
            default => 'none',
        };
        $bus = $y + 26;
        $rows = (int) ceil($this->count() / $this->perRow);
        $path = sprintf('M%.1f %.1fV%.1f', $x, $y, $bus);
        $svg = '';
        for ($row = 0; $row < $rows; $row++) {
            $at = $bus + $row * self::ROW_PX;
            $last = min($this->perRow, $this->count() - $row * $this->perRow);
            $path .= sprintf('M%d %.1fH%.1f', self::LEFT_PX, $at, max($row === 0 ? $x : 0.0, self::LEFT_PX + $last * self::WAY_PX));
            $path .= $row > 0 ? sprintf('M%d %.1fV%.1f', self::LEFT_PX, $at - self::ROW_PX, $at) : '';
        }
        $svg .= sprintf(
            '<g class="tube tube-%s"><path class="case" d="%2$s"/><path class="out" d="%2$s"/><path class="in" d="%2$s"/></g>',
            $class,
            $path,
        );
        if ($this->marks->busbar !== null) {
            $svg .= sprintf(
                '<text class="detail" x="%.1f" y="%.1f">Bus bars %s</text>',
                $x + 12,
                $bus - 10,
                htmlspecialchars($this->marks->busbar, ENT_QUOTES | ENT_XML1),
            );
        }
        $place = 0;
        if ($this->marks->bankKvar !== null) {
            [$left, $top] = $this->at($place++, $bus);
            $svg .= PanelSymbols::bank($left, $top, $this->marks->bankKvar, $this->on === 'normal');
        }
        foreach ($this->marks->ways as $way) {
            [$left, $top] = $this->at($place++, $bus);
            $svg .= $this->way($way, $left, $top);
        }

        return $svg;
    }

    private function count(): int
    {
        return count($this->marks->ways) + ($this->marks->bankKvar === null ? 0 : 1);
    }

    /** @return array{float, float} */
    private function at(int $place, float $bus): array
    {
        return [
            self::LEFT_PX + ($place % $this->perRow + 0.5) * self::WAY_PX, $bus + intdiv($place, $this->perRow) * self::ROW_PX,
        ];
    }

    private function way(WayMark $way, float $x, float $y): string
    {
        $on = $this->on === 'emergency' || $this->on === 'off' ? $this->on : 'normal';
        $supply = WaySupply::of($way->connects, $way->isShed, $on, $this->lost);
        $isOn = $supply !== WaySupply::Shed;
        $short = mb_strlen($way->name) > self::NAME_CHARACTERS ? mb_substr($way->name, 0, self::NAME_CHARACTERS - 1) . '…' : $way->name;
        $breaker = $way->breakerA === null ? '' : ' ' . PanelMarks::number($way->breakerA) . "\u{202F}A";
        $esc = static fn(string $words): string => htmlspecialchars($words, ENT_QUOTES | ENT_XML1);

        return sprintf(
            '<g class="way way-%1$s"><title>%2$s: %3$s</title><path class="wire" d="M%4$.1f %5$.1fv12"/>'
                . '<path class="arm" d="M%4$.1f %6$.1fl%7$.1f -15"/><path class="wire" d="M%4$.1f %6$.1fv12"/></g>',
            $supply->value,
            $esc($way->name),
            $supply->words(),
            $x,
            $y,
            $y + 28,
            $isOn ? 0.0 : -10.0,
        ) . sprintf(
            '<text class="name" x="%1$.1f" y="%2$.1f" text-anchor="middle">%3$s</text>'
                . '<text class="detail" x="%1$.1f" y="%4$.1f" text-anchor="middle">%5$s</text>',
            $x,
            $y + 55,
            $esc($short),
            $y + 70,
            $esc($way->connects . $breaker),
        ) . ($supply === WaySupply::Fed ? '' : sprintf(
            '<text class="open" x="%.1f" y="%.1f" text-anchor="middle">%s</text>',
            $x,
            $y + 85,
            $supply->words(),
        ));
    }
}
