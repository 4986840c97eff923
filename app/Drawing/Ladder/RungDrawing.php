<?php

declare(strict_types=1);

namespace App\Drawing\Ladder;

use App\Drawing\Pen;
use Escapement\Core\RelayLogic\Contact;
use Escapement\Core\RelayLogic\Expression;
use Escapement\Core\RelayLogic\RelayCircuit;
use Escapement\Core\RelayLogic\RelayType;
use Escapement\Core\RelayLogic\Story\CircuitMoment;

/** The contacts of one rung, branch by branch. */
final readonly class RungDrawing
{
    public const COLUMN_PX = 124;
    public const ROW_PX = 74;

    public function __construct(
        private RelayCircuit $circuit,
        private LadderPen $on,
        private LadderSymbols $symbols,
        private ?string $supply,
    ) {}

    /** Draws a part from $x to $untilX; its first row lies at $y. */
    public function part(LadderBlock $block, float $x, float $untilX, float $y, bool $carries): string
    {
        $contact = $block->part->contact;
        if ($contact !== null) {
            return $this->contact($contact, $x, $untilX, $y, $carries);
        }
        if ($block->parts === []) {
            return $block->part->kind === 'all' ? $this->wire($x, $untilX, $y, $carries) : $this->gap($x, $untilX, $y);
        }

        return $block->part->kind === 'all'
            ? $this->series($block, $x, $untilX, $y, $carries)
            : $this->branches($block, $x, $untilX, $y, $carries);
    }

    public function isClosed(Expression $part): bool
    {
        $moment = $this->on->look->moment;

        return $moment !== null && $part->isClosed(static fn(Contact $contact): bool => $moment->closed[$contact->id] ?? false);
    }

    private function series(LadderBlock $block, float $x, float $untilX, float $y, bool $carries): string
    {
        $drawn = '';
        foreach ($block->parts as $part) {
            $end = $x + $part->columns * self::COLUMN_PX;
            $drawn .= $this->part($part, $x, $end, $y, $carries);
            $x = $end;
        }

        return $drawn . ($x < $untilX ? $this->wire($x, $untilX, $y, $carries) : '');
    }

    private function branches(LadderBlock $block, float $x, float $untilX, float $y, bool $carries): string
    {
        $drawn = '';
        $row = $last = $y;
        foreach ($block->parts as $part) {
            $isCarrying = $carries && $this->isClosed($part->part);
            $drawn .= $this->part($part, $x, $untilX, $row, $isCarrying);
            if ($row > $y) {
                foreach ([$x, $untilX] as $post) {
                    $drawn .= $this->on->wire(sprintf('M%.1f %.1fV%.1f', $post, $last, $row), $isCarrying ? $this->supply : null);
                }
            }
            $last = $row;
            $row += $part->rows * self::ROW_PX;
        }
        foreach ([$x, $untilX] as $post) {
            $drawn .= sprintf('<circle cx="%.1f" cy="%.1f" r="3.4" fill="%s"/>', $post, $y, $this->on->pen->ink->colour('ink'));
        }

        return $drawn;
    }

    private function wire(float $x, float $untilX, float $y, bool $carries): string
    {
        return $this->on->wire(sprintf('M%.1f %.1fH%.1f', $x, $y, $untilX), $carries ? $this->supply : null);
    }

    private function gap(float $x, float $untilX, float $y): string
    {
        return $this->on->pen->path(sprintf('M%.1f %.1fH%.1f', $x, $y, $untilX), 'edge', 1.4, 'stroke-dasharray="2 6"')
            . $this->on->pen->text(($x + $untilX) / 2, $y - 10, 'no contact yet', 'middle', 'ink-2', 13);
    }

    private function contact(Contact $contact, float $x, float $untilX, float $y, bool $carries): string
    {
        $from = $x + (self::COLUMN_PX - LadderSymbols::CONTACT_PX) / 2;
        $to = $from + LadderSymbols::CONTACT_PX;
        $middle = ($from + $to) / 2;
        $pen = $this->on->pen;
        $moment = $this->on->look->moment;
        $drawn = $this->wire($x, $from, $y, $carries) . $this->wire($to, $untilX, $y, $carries);
        if ($carries) {
            $drawn .= $this->on->wire(sprintf('M%.1f %.1fH%.1f', $from, $y, $to), $this->supply);
        }
        $drawn .= $this->symbols->contact($contact, $from, $y) . $this->name($contact, $middle, $y - 20);
        $isSelected = $this->on->look->selected === $contact->id;
        if ($moment !== null) {
            $isClosed = $moment->closed[$contact->id] ?? false;
            $drawn .= $pen->text(
                $middle,
                $y + 24,
                $isClosed ? 'closed' : 'open',
                'middle',
                $isClosed ? 'ink' : 'ink-2',
                13,
                weight: $isClosed ? 600 : 400,
            );
        }
        $frame = sprintf(
            '<rect class="%s" x="%.1f" y="%.1f" width="%d" height="%d" rx="3"/>',
            $isSelected ? 'pick picked' : 'pick',
            $x + 4,
            $y - 38,
            self::COLUMN_PX - 8,
            self::ROW_PX - 6,
        );
        $url = $this->on->look->url;

        return $url === null ? $drawn : sprintf(
            '<a href="%s" aria-label="%s"%s>%s%s</a>',
            Pen::escaped($url($contact->id)),
            Pen::escaped($this->words($contact, $moment)),
            $isSelected ? ' aria-current="true"' : '',
            $frame,
            $drawn,
        );
    }

    private function name(Contact $contact, float $x, float $y): string
    {
        $words = self::escapedName($contact);
        $ink = $this->on->pen->ink;

        return sprintf(
            '<text x="%.1f" y="%.1f" text-anchor="middle" font-size="14" fill="%s">%s</text>',
            $x,
            $y,
            $ink->colour('ink'),
            $words,
        );
    }

    private static function escapedName(Contact $contact): string
    {
        $more = $contact->kind === 'of' ? implode(' ', $contact->positions) : (string) $contact->label;

        return '<tspan font-weight="bold">' . Pen::escaped($contact->device) . '</tspan>' . ($more === '' ? '' : ' ' . Pen::escaped($more));
    }

    private function words(Contact $contact, ?CircuitMoment $moment): string
    {
        $type = $this->circuit->deviceById[$contact->device]->type;
        $kind = match (true) {
            $contact->kind === 'of' => 'closed at ' . implode(', ', $contact->positions),
            $type === RelayType::PushButton || $type === RelayType::Handle => $contact->kind === 'no' ? 'makes' : 'breaks',
            default => $contact->kind === 'no' ? 'normally open' : 'normally closed',
        };
        $state = $moment === null ? '' : (($moment->closed[$contact->id] ?? false) ? ', closed now' : ', open now');

        return "Contact of $contact->device, $kind" . ($contact->label === null ? '' : ", $contact->label") . $state;
    }
}
