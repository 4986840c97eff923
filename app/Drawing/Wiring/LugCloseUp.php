<?php

declare(strict_types=1);

namespace App\Drawing\Wiring;

use App\Drawing\Ink;
use App\Drawing\Pen;
use Escapement\Core\WiringView\LandedConductor;
use Escapement\Core\WiringView\ViewedTerminal;

/** One terminal, large enough for a phone in a basement: its conductors by slot, the one whose turn it is in steel. */
final readonly class LugCloseUp
{
    private const WIDTH = 350;
    private const SLOT = 54;

    /**
     * @param list<LandedConductor>  $on     by slot
     * @param array<string, string>  $labels what and where to, parted by a line break
     */
    public function __construct(private ViewedTerminal $terminal, private array $on, private array $labels, private ?string $now) {}

    public function svg(): string
    {
        $pen = new Pen(new Ink(false));
        $stroke = new ConductorStroke($pen);
        $height = 44 + self::SLOT * max(1, count($this->on));
        $svg = sprintf(
            '<svg xmlns="http://www.w3.org/2000/svg" class="lug-close-up" viewBox="0 0 %d %d" width="%1$d" height="%2$d" role="img" '
                . 'aria-label="%s">',
            self::WIDTH,
            $height,
            Pen::escaped($this->terminal->id),
        );
        $svg .= $pen->ink->rect(218, 8, 124, $height - 16, $pen->ink->colour('sheet'), $pen->ink->colour('ink'));
        $legs = implode('+', array_map(static fn(LandedConductor $one): string => $one->leg, $this->on));
        $svg .= $pen->text(280, 30, $legs, 'middle', weight: 600, size: 16);
        foreach ($this->on as $i => $one) {
            $y = 52.0 + self::SLOT * $i;
            $isNow = $one->id === $this->now;
            $kind = match (true) {
                $isNow => 'now',
                $one->leg === 'N' => 'neutral',
                $one->leg === 'G' => 'ground',
                default => 'dead',
            };
            [$what, $where] = explode("\n", $this->labels[$one->id] ?? "$one->leg\n");
            $svg .= $stroke->path(sprintf('M8 %.1fH240', $y), $kind)
                . sprintf(
                    '<circle cx="256" cy="%.1f" r="15" fill="%s" stroke="%s" stroke-width="2"/>',
                    $y,
                    $pen->ink->colour($isNow ? 'steel' : 'sheet'),
                    $pen->ink->colour($isNow ? 'steel' : 'ink'),
                )
                . $pen->text(256, $y + 5, (string) $one->order, 'middle', $isNow ? 'sheet' : 'ink', 15, weight: 600)
                . $pen->text(8, $y - 10, "$what, $where", size: 15, weight: $isNow ? 600 : 400);
        }

        return "$svg</svg>";
    }
}
