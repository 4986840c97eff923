<?php

declare(strict_types=1);

namespace App\Drawing\Wiring;

use Escapement\Core\WiringView\LandedConductor;
use Escapement\Core\WiringView\ViewedTerminal;
use Escapement\Core\WiringView\WiringViewResult;

/** Where everything of an enclosure lies on the sheet, in pixels. A leg keeps its column; a conductor keeps its lane. */
final readonly class WiringGrid
{
    private const PITCH_PX = 172.0;
    private const LUG_PX = 62.0;
    private const BAR_PX = 20.0;
    private const SLOT_PX = 20.0;
    private const LANE_PX = 18.0;
    private const ROW_GAP_PX = 62.0;
    private const LABEL_PX = 36.0;

    /** Least room beside the outer columns, and what a letter of a label takes. */
    private const MARGIN_PX = 100.0;
    private const LETTER_PX = 6.7;

    public float $top;
    public float $bottom;
    public float $width;
    public float $height;

    /** @var array<int, float> middle of each row */
    private array $rowY;

    /** @var array<string, int> conductors in a gutter of a column: "top 1" */
    private array $lanes;

    /** Middle of the first column. */
    private float $left;

    /** @param array<string, string> $labels of the conductors by id, lines parted by a line break */
    public function __construct(public WiringViewResult $view, array $labels)
    {
        $lanes = [];
        $terminals = array_column($view->terminals, null, 'id');
        foreach ($view->conductors as $one) {
            $key = "$one->gutter {$terminals[$one->terminal]->column}";
            $lanes[$key] = max($lanes[$key] ?? 0, $one->lane);
        }
        $this->lanes = $lanes;
        $most = fn(string $gutter): int => max([
            0,
            ...array_filter($lanes, static fn(string $key): bool => str_starts_with($key, $gutter), ARRAY_FILTER_USE_KEY),
        ]);
        $this->top = 14 + self::LABEL_PX * $most('top') + 10;
        $y = $this->top + 40;
        $rows = [];
        foreach ($view->terminals as $terminal) {
            if ($terminal->kind === 'control') {
                continue; // the strip is a drawing of its own
            }
            $rows[$terminal->row] = max($rows[$terminal->row] ?? 0.0, $this->heightOf($terminal));
        }
        ksort($rows);
        $middles = [];
        foreach ($rows as $row => $height) {
            $middles[$row] = $y + $height / 2;
            $y += $height + self::ROW_GAP_PX;
        }
        $this->rowY = $middles;
        $this->bottom = $y - self::ROW_GAP_PX + 40;
        $this->height = $this->bottom + 10 + self::LABEL_PX * $most('bottom') + 8;
        $columns = max([
            1,
            ...array_map(static fn(ViewedTerminal $one): int => $one->kind === 'control' ? 1 : $one->column, $view->terminals),
        ]);
        $this->left = $this->beside('bottom', 1, $labels);
        $this->width = $this->left + self::PITCH_PX * ($columns - 1) + $this->beside('top', $columns, $labels);
    }

    /** @return array{x: float, y: float, width: float, height: float} */
    public function box(ViewedTerminal $terminal): array
    {
        $width = $terminal->kind === 'bar' ? self::BAR_PX : self::LUG_PX;
        $height = $this->heightOf($terminal);

        return [
            'x' => $this->columnX($terminal->column) - $width / 2,
            'y' => $this->rowY[$terminal->row] - $height / 2,
            'width' => $width,
            'height' => $height,
        ];
    }

    public function columnX(int $column): float
    {
        return $this->left + self::PITCH_PX * ($column - 1);
    }

    /** Where a conductor comes in at its gutter: the outermost lane has the label nearest to the enclosure. */
    public function entry(LandedConductor $one, ViewedTerminal $terminal): Point
    {
        $isTop = $one->gutter === 'top';
        $most = $this->lanes["$one->gutter $terminal->column"];
        $away = 16 + ($most - $one->lane) * self::LABEL_PX;
        $beside = self::LUG_PX / 2 + 4 + self::LANE_PX * $one->lane;

        return new Point(
            $this->columnX($terminal->column) + ($isTop ? $beside : -$beside),
            $isTop ? $this->top - $away : $this->bottom + $away,
        );
    }

    /** Where it ends: the side of its terminal, at its slot. */
    public function slot(LandedConductor $one, ViewedTerminal $terminal): Point
    {
        $box = $this->box($terminal);

        return new Point(
            $one->gutter === 'top' ? $box['x'] + $box['width'] : $box['x'],
            $box['y'] + self::SLOT_PX * ($one->slot - 0.5) + 2,
        );
    }

    /**
     * The room that the labels of a column's gutter take beside its middle.
     *
     * @param array<string, string> $labels
     */
    private function beside(string $gutter, int $column, array $labels): float
    {
        $terminals = array_column($this->view->terminals, null, 'id');
        $room = self::MARGIN_PX;
        foreach ($this->view->conductors as $one) {
            if ($one->gutter === $gutter && $terminals[$one->terminal]->column === $column) {
                $letters = max(array_map(mb_strlen(...), explode("\n", $labels[$one->id] ?? '')));
                $room = max($room, self::LUG_PX / 2 + 4 + self::LANE_PX * $one->lane + 20 + self::LETTER_PX * $letters);
            }
        }

        return $room;
    }

    private function heightOf(ViewedTerminal $terminal): float
    {
        return max(34.0, 4 + self::SLOT_PX * max(1, count($terminal->conductors)));
    }
}
