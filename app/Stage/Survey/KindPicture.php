<?php

declare(strict_types=1);

namespace App\Stage\Survey;

use App\Bridge\PlanFacts;
use App\Models\LoadItem;
use App\Models\Site;
use App\Models\TransferSwitch;
use Escapement\Core\Planning\LocalPlant;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Topology\Element;
use Escapement\Core\Topology\Link;
use Escapement\Core\Topology\OneLine;
use Escapement\Core\Topology\OneLineLayout;
use Illuminate\Support\Collection;

/** The one-line of a kind of installation as a small picture without words, to choose by: the same one-line that its plan begins with. */
final readonly class KindPicture
{
    private const COLUMN_PX = 30;
    private const ROW_PX = 21;
    private const HALF_PX = 9;

    private OneLine $drawing;
    private OneLineLayout $layout;

    public function __construct(private InstallationKind $kind)
    {
        $switch = new TransferSwitch([
            'name' => 'Q1', 'plant' => LocalPlant::of($kind, false)->toArray(), 'rated_kw' => [], 'survey' => [],
            'service_rated' => $kind === InstallationKind::WholeHouse,
        ]);
        $switch->setRelation('site', new Site(['installation' => $kind, 'units' => 'us']));
        $switch->setRelation('plan', null);
        $switch->setRelation('loads', new Collection(array_map(
            static fn(string $name, bool $mustRun): LoadItem => new LoadItem([
                'name' => $name, 'kw' => 1, 'priority' => 1, 'must_run' => $mustRun, 'essential' => false, 'shed' => false,
                'panel' => null, 'connect' => null,
            ]),
            ['a', 'b'],
            [true, false],
        )));
        $this->drawing = (new PlanFacts($switch, null))->plan->oneLine();
        $this->layout = OneLineLayout::of($this->drawing);
    }

    public function svg(): string
    {
        $cells = array_map(fn(Element $element): array => $this->layout->cell($element->id), $this->drawing->elements);
        $width = (1 + max([0, ...array_column($cells, 1)])) * self::COLUMN_PX;
        $height = (1 + max([0, ...array_column($cells, 0)])) * self::ROW_PX;
        $lines = implode('', array_map($this->line(...), $this->drawing->links));
        $marks = implode('', array_map($this->mark(...), $this->drawing->elements));

        return sprintf(
            '<svg class="kind-picture" viewBox="0 0 %d %d" width="%1$d" height="%2$d" aria-hidden="true">%s%s</svg>',
            $width,
            $height,
            $lines,
            $marks,
        );
    }

    private function line(Link $link): string
    {
        [$x, $y] = $this->at($link->fromId);
        [$toX, $toY] = $this->at($link->toId);

        return sprintf('<path d="M%.0f %.0fV%.0fH%.0fV%.0f"/>', $x, $y, ($y + $toY) / 2, $toX, $toY);
    }

    private function mark(Element $element): string
    {
        [$x, $y] = $this->at($element->id);
        $box = static fn(string $class, float $w, float $h): string => sprintf(
            '<rect class="%s" x="%.1f" y="%.1f" width="%.1f" height="%.1f"/>',
            $class,
            $x - $w / 2,
            $y - $h / 2,
            $w,
            $h,
        );

        return match ($element->type) {
            'source' => sprintf(
                '<circle class="%s" cx="%.0f" cy="%.0f" r="%d"/>',
                $element->isUtilityLike() ? 'first' : 'second',
                $x,
                $y,
                self::HALF_PX - 2,
            ),
            'switch' => $box('switch', 20, 16) . sprintf('<path class="arm" d="M%.0f %.0fL%.0f %.0f"/>', $x, $y + 5, $x - 6, $y - 5),
            'panel' => $box('panel', 22, 7),
            'load' => $box('load', 7, 7),
            default => $box('small', 8, 6),
        };
    }

    /** @return array{float, float} */
    private function at(string $id): array
    {
        [$row, $column] = $this->layout->cell($id);

        return [($column + 0.5) * self::COLUMN_PX, ($row + 0.5) * self::ROW_PX];
    }
}
