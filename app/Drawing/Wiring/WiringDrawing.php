<?php

declare(strict_types=1);

namespace App\Drawing\Wiring;

use App\Drawing\Ink;
use App\Drawing\Pen;
use Escapement\Core\WiringView\LandedConductor;
use Escapement\Core\WiringView\ViewedTerminal;
use Escapement\Core\WiringView\WiringViewResult;

/** An enclosure conductor by conductor, for screen and paper. */
final readonly class WiringDrawing
{
    private Pen $pen;
    private ConductorStroke $stroke;
    public WiringGrid $grid;

    /** @var array<string, ViewedTerminal> */
    private array $terminals;

    /**
     * @param array<string, 'gen'|'util'> $live      what feeds each live port of the enclosure
     * @param array<string, string>       $labels    of the conductors by id: what and where to, parted by a line break
     * @param array<string, string>       $ports     what the ports are called
     * @param ?string                     $now       the conductor whose turn it is
     * @param list<string>                $staysLive ports of a line side that no device here can make dead
     * @param string                      $title     of the enclosure
     * @param list<Pole>                  $poles     its contacts, from the top
     * @param array<string, string>       $links     by conductor, where its number leads; none on paper
     */
    public function __construct(
        private WiringViewResult $view,
        private array $live,
        private array $labels,
        private array $ports,
        private ?string $now,
        private array $staysLive,
        private string $title,
        private array $poles,
        private array $links,
        bool $isPrint = false,
    ) {
        $this->pen = new Pen(new Ink($isPrint));
        $this->stroke = new ConductorStroke($this->pen);
        $this->grid = new WiringGrid($view, $labels);
        $this->terminals = array_column($view->terminals, null, 'id');
    }

    public function svg(): string
    {
        $size = sprintf('viewBox="0 0 %d %d" width="%1$d" height="%2$d"', ceil($this->grid->width), ceil($this->grid->height));

        return "<svg xmlns=\"http://www.w3.org/2000/svg\" class=\"wiring-view\" $size role=\"img\" aria-label=\""
            . Pen::escaped($this->title) . '">'
            . $this->enclosure() . $this->lineSide() . $this->poles() . implode(
                '',
                array_map($this->conductor(...), $this->inDrawingOrder()),
            )
            . implode(
                '',
                array_map(
                    $this->terminal(...),
                    array_values(array_filter($this->view->terminals, static fn(ViewedTerminal $one): bool => $one->kind !== 'control')),
                ),
            )
            . $this->bond() . implode('', array_map($this->label(...), $this->view->conductors)) . '</svg>';
    }

    public function pdfImage(): string
    {
        return 'data:image/svg+xml;base64,' . base64_encode($this->svg());
    }

    private function enclosure(): string
    {
        $ink = $this->pen->ink;
        $height = $this->grid->bottom - $this->grid->top;

        return $ink->rect(4, $this->grid->top, $this->grid->width - 8, $height, $ink->colour('sheet'), $ink->colour('ink'))
            . $this->pen->text($this->grid->width - 14, $this->grid->bottom - 12, $this->title, 'end', weight: 600);
    }

    private function poles(): string
    {
        $drawing = new PoleDrawing($this->pen, $this->grid);

        return implode('', array_map(fn(Pole $pole): string => $drawing->of($pole, $this->terminals), $this->poles));
    }

    /** The part that no device of this enclosure can make dead, by frame and word. */
    private function lineSide(): string
    {
        $boxes = array_map(
            $this->grid->box(...),
            array_values(array_filter(
                $this->view->terminals,
                fn(ViewedTerminal $one): bool => $one->node !== null && in_array($one->node, $this->staysLive, true),
            )),
        );
        if ($boxes === []) {
            return '';
        }
        $left = min(array_column($boxes, 'x')) - 70;
        $right = max(array_map(static fn(array $box): float => $box['x'] + $box['width'], $boxes)) + 44;
        $foot = max(array_map(static fn(array $box): float => $box['y'] + $box['height'], $boxes)) + 12;
        $frame = sprintf('M%.1f %.1fH%.1fV%.1fH%1$.1fZ', $left, $this->grid->top + 6, $right, $foot);

        return $this->pen->path($frame, 'stop', 2, 'stroke-dasharray="8 5"')
            . $this->pen->text($left + 4, $this->grid->top + 22, 'Stays live', colour: 'stop', size: 13, weight: 600);
    }

    /** @return list<LandedConductor> the one whose turn it is on top */
    private function inDrawingOrder(): array
    {
        $conductors = $this->view->conductors;
        usort($conductors, fn(LandedConductor $a, LandedConductor $b): int => ($a->id === $this->now) <=> ($b->id === $this->now));

        return $conductors;
    }

    private function conductor(LandedConductor $one): string
    {
        $terminal = $this->terminals[$one->terminal];
        $from = $this->grid->entry($one, $terminal);
        $to = $this->grid->slot($one, $terminal);

        return $this->stroke->path(sprintf('M%.1f %.1fV%.1fH%.1f', $from->x, $from->y, $to->y, $to->x), $this->kind($one, $terminal));
    }

    /** @return 'dead'|'gen'|'ground'|'neutral'|'now'|'util' */
    private function kind(LandedConductor $one, ViewedTerminal $terminal): string
    {
        return match (true) {
            $one->id === $this->now => 'now',
            $one->leg === 'N' => 'neutral',
            $one->leg === 'G' => 'ground',
            default => $this->live[$terminal->node ?? ''] ?? 'dead',
        };
    }

    private function terminal(ViewedTerminal $terminal): string
    {
        $ink = $this->pen->ink;
        $box = $this->grid->box($terminal);
        $middle = $box['x'] + $box['width'] / 2;
        $isGround = $terminal->id === 'ground';
        $drawn = $ink->rect(
            $box['x'],
            $box['y'],
            $box['width'],
            $box['height'],
            $ink->colour($isGround ? 'ink' : 'sheet'),
            $ink->colour('ink'),
        );
        if ($terminal->kind === 'bar') {
            return $drawn . $this->pen->text($middle, $box['y'] - 7, $isGround ? 'ground bar' : 'neutral bar', 'middle', size: 13);
        }
        $counts = array_map(fn(string $id): string => $this->legOf($id), $terminal->conductors);
        $words = $counts === [] ? (string) $terminal->leg : implode('+', $counts);
        $port = $this->ports[explode('.', $terminal->id)[0]] ?? '';

        return $drawn . $this->pen->text($middle, $box['y'] + $box['height'] / 2 + 5, $words, 'middle', weight: 600)
            . $this->beside($terminal, $port);
    }

    /** The name of a port on the side that no conductor comes from. */
    private function beside(ViewedTerminal $terminal, string $name): string
    {
        $box = $this->grid->box($terminal);
        $y = $box['y'] + $box['height'] / 2 + 5;
        foreach ($this->view->conductors as $one) {
            if ($one->terminal === $terminal->id && $one->gutter === 'top') {
                return $this->pen->text($box['x'] - 6, $y, $name, 'end', 'ink-2', 13);
            }
        }

        $isLast = $terminal->row === max([0, ...array_column($this->terminals, 'row')]);

        return $isLast ? $this->pen->text($box['x'] + $box['width'] / 2, $box['y'] + $box['height'] + 16, $name, 'middle', 'ink-2', 13)
            : $this->pen->text($box['x'] + $box['width'] + 6, $y, $name, 'start', 'ink-2', 13);
    }

    private function legOf(string $conductor): string
    {
        foreach ($this->view->conductors as $one) {
            if ($one->id === $conductor) {
                return $one->leg;
            }
        }

        return '';
    }

    /** The jumper between the bars, or that there is none. */
    private function bond(): string
    {
        $neutral = $this->terminals['neutral'] ?? null;
        $ground = $this->terminals['ground'] ?? null;
        if ($neutral === null || $ground === null) {
            return '';
        }
        [$from, $to] = [$this->grid->box($neutral), $this->grid->box($ground)];
        $y = max($from['y'] + $from['height'], $to['y'] + $to['height']) + 12;
        $left = $from['x'] + $from['width'] / 2;
        $right = $to['x'] + $to['width'] / 2;
        $middle = ($left + $right) / 2;
        if (! $this->view->bond) {
            return $this->pen->text($middle, $y + 8, 'no bond here', 'middle', 'ink-2', 13);
        }
        $d = sprintf('M%.1f %.1fV%.1fH%.1fV%.1f', $left, $from['y'] + $from['height'], $y, $right, $to['y'] + $to['height']);

        return $this->pen->path($d, 'ink', 5) . $this->pen->text($left + 6, $y + 17, 'bonding', size: 13)
            . $this->pen->text($left + 6, $y + 32, 'jumper', size: 13);
    }

    private function label(LandedConductor $one): string
    {
        $at = $this->grid->entry($one, $this->terminals[$one->terminal]);
        $isNow = $one->id === $this->now;
        $ink = $this->pen->ink;
        $circle = sprintf(
            '<circle cx="%.1f" cy="%.1f" r="11" fill="%s" stroke="%s" stroke-width="1.6"/>',
            $at->x,
            $at->y,
            $ink->colour($isNow ? 'steel' : 'sheet'),
            $ink->colour($isNow ? 'steel' : 'ink'),
        ) . $this->pen->text($at->x, $at->y + 4.5, (string) $one->order, 'middle', $isNow ? 'sheet' : 'ink', 13, weight: 600);
        $isTop = $one->gutter === 'top';
        $x = $at->x + ($isTop ? 16 : -16);
        [$what, $where] = explode("\n", $this->labels[$one->id] ?? "$one->leg\n");
        $link = $this->links[$one->id] ?? null;
        $circle = $link === null ? $circle : sprintf(
            '<a href="%s" aria-label="Landing %d">%s</a>',
            Pen::escaped($link),
            $one->order,
            $circle,
        );

        return $circle . $this->pen->text($x, $at->y - 1, $what, $isTop ? 'start' : 'end', size: 13, weight: 600)
            . $this->pen->text($x, $at->y + 13, $where, $isTop ? 'start' : 'end', 'ink-2', 13);
    }
}
