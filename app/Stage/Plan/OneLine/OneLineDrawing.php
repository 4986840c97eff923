<?php

declare(strict_types=1);

namespace App\Stage\Plan\OneLine;

use App\Drawing\Panel\BusBars;
use App\Drawing\Panel\PanelMarks;
use App\Drawing\Panel\PanelSymbols;
use Escapement\Core\Planning\FaultAtElement;
use Escapement\Core\Planning\FaultVerdict;
use Escapement\Core\Topology\Device;
use Escapement\Core\Topology\Element;
use Escapement\Core\Topology\Link;
use Escapement\Core\Topology\OneLine;
use Escapement\Core\Topology\OneLineLayout;
use Escapement\Core\Topology\TopologyCheck;

/**
 * A one-line as SVG: cells from the core's layout, tubes filled by what feeds them. Geometry never moves with the
 * switch; only the filling does.
 */
final class OneLineDrawing
{
    private const COLUMN_PX = 118;
    private const ROW_PX = 96;
    private const LEFT_PX = 74; // room for the flag at the test point
    private const TOP_PX = 14;
    private const BOX_PX = 106;
    /** Least width with bus bars: as wide as a page has room for, and no scrolling at a desk. */
    private const PANEL_PX = 770;

    private string $tubes = '';
    private string $boxes = '';
    private string $marks = '';
    private readonly OneLineLayout $layout;
    /** @var array<string, list<string>> */
    private readonly array $live;
    private readonly int $width;
    private readonly int $height;

    /**
     * @param array<string, string>                              $names
     * @param null|array<string, list<string>>                   $stillLive nodes to be outlined
     * @param array<string, array{n: ?int, kind: string}>        $bonds     by element
     * @param array<string, FaultAtElement>                      $faults    to be written at their elements
     * @param ?PanelMarks                                        $panel     of a three-phase installation
     * @param ?string                                            $lost      phase of the first source
     */
    public function __construct(
        private readonly OneLine $drawing,
        private readonly array $names,
        private readonly string $on,
        private readonly ?string $open,
        private readonly ?array $stillLive,
        private readonly ?string $testPoint,
        private readonly array $bonds,
        private readonly bool $isNeutralKnown = true,
        private readonly array $faults = [],
        private readonly ?PanelMarks $panel = null,
        private readonly ?string $lost = null,
    ) {
        $this->layout = OneLineLayout::of($drawing);
        $positions = array_fill_keys(array_map(static fn(Element $switch): string => $switch->id, $drawing->switches), $on);
        $running = $on === 'off' ? [] : $this->sourcesOf($on);
        $this->live = TopologyCheck::live($drawing, $positions, $open === null ? [] : [$open], $running);
        $elements = array_values(array_filter($drawing->elements, fn(Element $e): bool => ! $this->isOnBus($e)));
        $cells = array_map(fn(Element $e): array => $this->layout->cell($e->id), $elements);
        $this->width = max(
            self::LEFT_PX + 16 + (1 + max([0, ...array_column($cells, 1)])) * self::COLUMN_PX,
            $this->panel === null ? 0 : self::PANEL_PX,
        );
        $bus = $this->panel === null || $this->panel->ways === [] ? null
            : new BusBars($this->panel, in_array($on, ['off', 'emergency'], true) ? $on : 'normal', $lost, $this->width);
        $this->height = 2 * self::TOP_PX + max([0, ...array_column($cells, 0)]) * self::ROW_PX + 62 + ($bus?->height() ?? 0);
        $this->drawLinks();
        foreach ($elements as $element) {
            $this->drawElement($element);
        }
        if ($this->panel !== null) {
            $this->drawPanel($this->panel, $bus);
        }
    }

    /** Where the outgoing ways are known they stand on the bus bars, instead of the loads that were counted in the survey. */
    private function isOnBus(Element $e): bool
    {
        return $e->type === 'load' && $this->panel !== null && $this->panel->ways !== [];
    }

    /** Conductors, earths of both sources, current transformers, bus bars. */
    private function drawPanel(PanelMarks $panel, ?BusBars $bus): void
    {
        $isFirst = true;
        foreach ($this->drawing->sources as $source) {
            [$x, $y] = $this->at($source->id);
            $foot = $y + $this->boxHeight($source);
            $this->marks .= PanelSymbols::conductors($x, $foot + 8, $panel->poles, $isFirst ? $this->lost : null)
                . PanelSymbols::earth($x + self::BOX_PX / 2, $y + 8, $isFirst ? $panel->firstEarthed : $panel->secondEarthed);
            $isFirst = false;
        }
        foreach ($this->drawing->switches as $switch) {
            [$x, $y] = $this->at($switch->id);
            if ($panel->transformers !== null) {
                $this->marks .= PanelSymbols::transformer($x, $y + $this->boxHeight($switch) + 19, $panel->transformers);
            }
        }
        $board = array_values($this->drawing->ofType('panel'))[0] ?? null;
        if ($bus !== null && $board !== null) {
            [$x, $y] = $this->at($board->id);
            $this->boxes = $bus->svg($x, $y + $this->boxHeight($board)) . $this->boxes;
        }
    }

    /**
     * @param string $side of the switch: normal or emergency
     *
     * @return list<string> the sources that feed it
     */
    private function sourcesOf(string $side): array
    {
        $front = array_map(
            static fn(Link $link): string => $link->fromId,
            array_filter($this->drawing->links, static fn(Link $link): bool => $link->toPort === $side),
        );
        $seen = [];
        while ($front !== []) {
            $id = array_pop($front);
            $seen[$id] = true;
            foreach ($this->drawing->links as $link) {
                if ($link->toId === $id && ! isset($seen[$link->fromId])) {
                    $front[] = $link->fromId;
                }
            }
        }

        return array_values(array_filter(
            array_map(static fn(Element $source): string => $source->id, $this->drawing->sources),
            static fn(string $id): bool => isset($seen[$id]),
        ));
    }

    public function svg(): string
    {
        return sprintf(
            '<svg class="one-line" width="%1$d" height="%2$d" viewBox="0 0 %1$d %2$d" role="group" aria-label="%3$s">%4$s%5$s%6$s</svg>',
            $this->width,
            $this->height,
            $this->esc($this->summary()),
            $this->tubes,
            $this->boxes,
            $this->marks,
        );
    }

    /** A file that stands alone, in black and white: on paper the pattern says what the colour says on a screen. */
    public function paperSvg(): string
    {
        $style = (string) file_get_contents(resource_path('svg/one-line-paper.css'));

        return (string) preg_replace(
            '/^<svg class="one-line" (.*?)>/',
            '<svg xmlns="http://www.w3.org/2000/svg" class="one-line" $1><style>' . $style . '</style>',
            $this->svg(),
            1,
        );
    }

    /** The same for a PDF, as a picture of this page's own: data and all. */
    public function pdfImage(): string
    {
        return 'data:image/svg+xml;base64,' . base64_encode(PaperInk::on(
            $this->svg(),
            (string) file_get_contents(resource_path('svg/one-line-paper.css')),
        ));
    }

    public function isWide(): bool
    {
        return $this->width > 1.3 * $this->height;
    }

    private function summary(): string
    {
        $fed = array_filter($this->drawing->ofType('load'), fn(Element $load): bool => isset($this->live["$load->id.in"]));

        return sprintf('One-line, switch on %s: %d of %d loads are fed.', match ($this->on) {
            'normal' => 'the utility',
            'emergency' => 'the generator',
            default => 'neither side',
        }, count($fed), count($this->drawing->ofType('load')));
    }

    /** What leaves one element with the same feed is one tube with branches: no branch cuts the gap of another. */
    private function drawLinks(): void
    {
        $groups = [];
        foreach ($this->drawing->links as $link) {
            if ($this->isOnBus($this->drawing->byId[$link->toId])) {
                continue;
            }
            [$x1, $y1] = $this->exit($link);
            [$x2, $y2] = $this->entry($link);
            // What comes to the emergency side runs at a height of its own, so that only drops cross.
            $rail = $y2 - ($link->toPort === 'emergency' ? 30 : 18);
            $path = abs($x1 - $x2) < 0.5 ? sprintf('M%.1f %.1fV%.1f', $x1, $y1, $y2) : sprintf(
                'M%.1f %.1fV%.1fH%.1fV%.1f',
                $x1,
                $y1,
                $rail,
                $x2,
                $y2,
            );
            $sources = $this->live[$link->to()] ?? [];
            $class = $sources === []
                ? 'none'
                : ($this->drawing->byId[$sources[0]]->isUtilityLike()
                    ? 'util'
                    : ($this->drawing->byId[$sources[0]]->kind === 'inverter' ? 'batt' : 'gen'));
            $groups["$link->fromId $class"] = ['class' => $class, 'd' => ($groups["$link->fromId $class"]['d'] ?? '') . $path];
            if (isset($this->stillLive[$link->to()])) {
                $this->tubes .= sprintf('<path class="still" d="%s"/>', $path);
            }
        }
        foreach ($groups as $group) {
            $this->tubes .= sprintf(
                '<g class="tube tube-%s"><path class="case" d="%2$s"/><path class="out" d="%2$s"/><path class="in" d="%2$s"/></g>',
                $group['class'],
                $group['d'],
            );
        }
    }

    /** @return array{float, float} where a link leaves its element */
    private function exit(Link $link): array
    {
        [$x, $y] = $this->at($link->fromId);

        return [$x, $y + $this->boxHeight($this->drawing->byId[$link->fromId])];
    }

    /** @return array{float, float} */
    private function entry(Link $link): array
    {
        [$x, $y] = $this->at($link->toId);

        return [$x + match ($link->toPort) {
            'normal' => -30,
            'emergency' => 30,
            default => 0,
        }, $y];
    }

    /** @return array{float, float} the middle of an element's upper edge */
    private function at(string $id): array
    {
        [$row, $column] = $this->layout->cell($id);

        return [self::LEFT_PX + ($column + 0.5) * self::COLUMN_PX, self::TOP_PX + $row * self::ROW_PX];
    }

    private function boxHeight(Element $e): int
    {
        return match ($e->type) {
            'switch' => 58,
            'load' => 38,
            'disconnect' => 44,
            default => 42,
        };
    }

    private function drawElement(Element $e): void
    {
        [$x, $y] = $this->at($e->id);
        $height = $this->boxHeight($e);
        $left = $x - self::BOX_PX / 2;
        $this->boxes .= sprintf('<g class="el el-%s">', $e->type);
        $this->boxes .= match ($e->type) {
            'source' => $this->source($e, $left, $y, $height),
            'switch' => $this->transferSwitch($e, $x, $y, $height),
            'disconnect' => $this->disconnect($e, $x, $y, $height),
            'load' => $this->load($e, $left, $y, $height),
            default => $this->box($left, $y, $height) . $this->lines($e, $x, $y),
        };
        $this->boxes .= '</g>';
        $this->drawBond($e, $left + self::BOX_PX, $y + $height);
        $this->drawFault($e, $x - 6, $y + $height + 14);
        if ($this->testPoint !== null && explode('.', $this->testPoint)[0] === $e->id) {
            $this->marks .= sprintf(
                '<g class="test-here"><path d="M%.1f %.1fh-58l-7 10l7 10h58z"/><text x="%.1f" y="%.1f" text-anchor="middle">Test '
                    . 'here</text></g>',
                $left + 2,
                $y + 4,
                $left - 28,
                $y + 19,
            );
        }
    }

    private function box(float $left, float $y, int $height): string
    {
        return sprintf('<rect x="%.1f" y="%.1f" width="%d" height="%d"/>', $left, $y, self::BOX_PX, $height);
    }

    private function source(Element $e, float $left, float $y, int $height): string
    {
        $letter = $e->isUtilityLike() ? 'U' : ($e->kind === 'inverter' ? 'B' : 'G');

        return $this->box($left, $y, $height) . sprintf(
            '<rect class="plate plate-%s" x="%.1f" y="%.1f" width="26" height="%d"/><text class="letter" x="%.1f" y="%.1f" '
                . 'text-anchor="middle">%1$s</text>',
            $letter,
            $left,
            $y,
            $height,
            $left + 13,
            $y + 26,
        )
            . $this->text($left + 32, $y + 18, $this->names[$e->id] ?? $e->id, 'name', 'start', 11) . $this->text(
                $left + 32,
                $y + 34,
                $e->breakerA === null ? '' : "$e->breakerA\u{202F}A out",
                'detail',
                'start',
                13,
            );
    }

    private function transferSwitch(Element $e, float $x, float $y, int $height): string
    {
        $middle = $y + 36;
        $to = match ($this->on) {
            'normal' => [$x - 30, $y + 16],
            'emergency' => [$x + 30, $y + 16],
            default => [$x, $y + 12],
        };
        $isMainOpen = $this->open === "$e->id.main";

        return $this->box($x - self::BOX_PX / 2, $y, $height)
            . sprintf(
                '<path class="wire" d="M%.1f %.1fV%.1fM%.1f %.1fV%.1fM%.1f %.1fV%.1f"/>',
                $x - 30,
                $y,
                $y + 12,
                $x + 30,
                $y,
                $y + 12,
                $x,
                $middle + 4,
                $y + $height,
            )
            . sprintf(
                '<circle cx="%.1f" cy="%.1f" r="4.4"/><circle cx="%.1f" cy="%2$.1f" r="4.4"/><circle class="full" cx="%.1f" '
                    . 'cy="%.1f" r="4.4"/>',
                $x - 30,
                $y + 16,
                $x + 30,
                $x,
                $middle,
            )
            . sprintf('<path class="arm" d="M%.1f %.1fL%.1f %.1f"/>', $x, $middle, $to[0], $to[1])
            . $this->text(
                $x - 48,
                $y + 53,
                $isMainOpen ? 'open' : $this->neutralWords($e),
                $isMainOpen ? 'open' : 'detail',
                'start',
                13,
            ) . $this->text($x + 48, $y + 53, "$e->ratingA\u{202F}A", 'detail', 'end', 13);
    }

    private function neutralWords(Element $e): string
    {
        return match (true) {
            ! $this->isNeutralKnown => 'N ?',
            $e->neutral === 'solid' => 'N solid',
            default => 'N sw.', // the whole word stands in the facts beside; here it would cross the wire
        };
    }

    private function disconnect(Element $e, float $x, float $y, int $height): string
    {
        $isOpen = $this->open === $e->id || ! $e->isClosed;

        return $this->box($x - self::BOX_PX / 2, $y, $height)
            . sprintf(
                '<circle cx="%.1f" cy="%.1f" r="3.6"/><circle class="full" cx="%1$.1f" cy="%.1f" r="3.6"/><path class="arm" '
                    . 'd="M%1$.1f %3$.1fL%.1f %.1f"/>',
                $x - 34,
                $y + 9,
                $y + 35,
                $isOpen ? $x - 46 : $x - 34,
                $y + 11,
            )
            . $this->text($x - 22, $y + 18, $this->names[$e->id] ?? $e->id, 'name', 'start', 11)
            . $this->text(
                $x - 22,
                $y + 35,
                $isOpen ? 'open' : ($e->ratingA === null ? 'closed' : "$e->ratingA\u{202F}A"),
                $isOpen ? 'open' : 'detail',
                'start',
                13,
            );
    }

    private function load(Element $e, float $left, float $y, int $height): string
    {
        $isFed = isset($this->live["$e->id.in"]);

        return sprintf(
            '<rect class="%s" x="%.1f" y="%.1f" width="%d" height="%d"/>',
            $isFed ? 'fed' : 'dark',
            $left,
            $y,
            self::BOX_PX,
            $height,
        )
            . $this->text($left + self::BOX_PX / 2, $y + 16, $this->names[$e->id] ?? $e->id, $isFed ? 'name' : 'name on-dark', 'middle', 15)
            . $this->text(
                $left + self::BOX_PX / 2,
                $y + 31,
                sprintf("%.1f\u{202F}kW %s", $e->va / 1000, $isFed ? (count($e->phases) === 3 ? '3P' : implode('+', $e->phases)) : 'dark'),
                $isFed ? 'detail' : 'detail on-dark',
                'middle',
                16,
            );
    }

    private function lines(Element $e, float $x, float $y): string
    {
        $mains = array_values(array_filter(Device::of($e), static fn(Device $device): bool => $device->kind === 'panel-main'));
        $isOpen = $this->open === "$e->id.main";
        $detail = match (true) {
            $isOpen => 'main open',
            $mains !== [] => 'main ' . $mains[0]->ratingA . "\u{202F}A",
            $e->ratingA !== null => "$e->ratingA\u{202F}A",
            default => '',
        };

        return $this->text(
            $x,
            $y + ($detail === '' ? 26 : 18),
            $this->names[$e->id] ?? $e->id,
            'name',
            'middle',
            15,
        ) . $this->text($x, $y + 34, $detail, $isOpen ? 'open' : 'detail', 'middle', 16);
    }

    /** The link between neutral and ground: stays in ink, goes in stop with two slashes, is to be fitted dashed. */
    private function drawBond(Element $e, float $right, float $foot): void
    {
        $mark = $this->bonds[$e->id] ?? null;
        if ($mark === null) {
            return;
        }
        $x = $right + 1;
        $y = $foot - 14;
        $class = str_replace(' ', '-', $mark['kind']);
        $this->marks .= sprintf(
            '<g class="bond bond-%s"><title>%s</title><path class="link" d="M%.1f %.1fv18"/>',
            $class,
            $this->esc("Bond: {$mark['kind']}"),
            $x,
            $y,
        );
        if ($mark['kind'] === 'goes') {
            $this->marks .= sprintf('<path class="slash" d="M%.1f %.1fl10 -5M%1$.1f %.1fl10 -5"/>', $x - 5, $y + 9, $y + 14);
        }
        if ($mark['n'] !== null) {
            $this->marks .= sprintf(
                '<circle cx="%.1f" cy="%.1f" r="11"/><text x="%1$.1f" y="%.1f" text-anchor="middle">%d</text>',
                $x,
                $y - 12,
                $y - 7.5,
                $mark['n'],
            );
        }
        $this->marks .= '</g>';
    }

    /** Available over rated, in kA; an excess is marked by a sign too, so that it reads in grey. */
    private function drawFault(Element $e, float $right, float $y): void
    {
        $fault = $this->faults[$e->id] ?? null;
        if ($fault === null) {
            return;
        }
        $maxKa = $fault->maxKa();
        $isExceeded = $fault->verdict() === FaultVerdict::Exceeded;
        $words = ($isExceeded ? '! ' : '') . ($maxKa === null ? '?' : ($fault->isWhole ? '' : '≥') . number_format($maxKa, 1))
            . ' / ' . ($fault->ratedKa ?? '?');
        $this->marks .= $this->text($right, $y, $words, $isExceeded ? 'fault fault-exceeded' : 'fault', 'end', 20);
    }

    private function text(float $x, float $y, string $words, string $class, string $anchor, int $most): string
    {
        // A name that does not fit keeps its end, which tells it from its neighbour: "Supply disconnect" is "S. disconnect".
        $short = mb_strlen($words) > $most ? (string) preg_replace('/^(\\pL)\\pL+ /u', '$1. ', $words) : $words;
        $short = mb_strlen($short) > $most ? mb_substr($short, 0, $most - 1) . '…' : $short;
        $title = $short === $words ? '' : "<title>{$this->esc($words)}</title>";

        return $words === '' ? '' : sprintf(
            '<text class="%s" x="%.1f" y="%.1f" text-anchor="%s">%s%s</text>',
            $class,
            $x,
            $y,
            $anchor,
            $title,
            $this->esc($short),
        );
    }

    private function esc(string $words): string
    {
        return htmlspecialchars($words, ENT_QUOTES | ENT_XML1);
    }
}
