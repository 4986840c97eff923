<?php

declare(strict_types=1);

namespace App\Drawing\Ladder;

use App\Drawing\Pen;
use Escapement\Core\RelayLogic\Expression;
use Escapement\Core\RelayLogic\RelayCircuit;
use Escapement\Core\RelayLogic\RelayDevice;
use Escapement\Core\RelayLogic\RelayType;
use Escapement\Core\RelayLogic\Rung;
use Escapement\Core\RelayLogic\Story\CircuitMoment;

/** A control circuit as a ladder: a rail for each supply, a rung for each coil, the start contacts below. */
final class LadderDrawing
{
    private const NUMBER_X = 22;
    private const RAIL_X = 52;
    private const COIL_ROOM_PX = 170;
    private const LABEL_PX = 40;

    private readonly LadderPen $on;
    private readonly LadderSymbols $symbols;
    private readonly int $columns;
    private float $y = 0;

    public function __construct(private readonly RelayCircuit $circuit, private readonly LadderLook $look)
    {
        $this->on = new LadderPen($circuit, $look);
        $this->symbols = new LadderSymbols($circuit, $this->on);
        $columns = array_map(
            static fn(Rung|RelayDevice $one): int => LadderBlock::of($one->when ?? Expression::parallel([]))->columns,
            [...$circuit->rungs, ...$circuit->ofType(RelayType::Start)],
        );
        $this->columns = max([3, ...$columns]);
    }

    public function svg(): string
    {
        $this->y = 0;
        $body = $this->sensing();
        foreach ($this->groups() as [$supply, $rungs]) {
            $body .= $this->group($supply, $rungs);
        }
        foreach ($this->circuit->ofType(RelayType::Start) as $i => $start) {
            $body .= $this->start($start, count($this->circuit->rungs) + $i + 1);
        }
        $width = (int) ($this->rightX() + 30);
        $height = (int) ($this->y + 20);

        return sprintf(
            '<svg class="ladder" width="%1$d" height="%2$d" viewBox="0 0 %1$d %2$d" role="group" aria-label="%4$s">%3$s</svg>',
            $width,
            $height,
            $body,
            'Ladder of the circuit',
        );
    }

    /** For a PDF, as a picture of its own. */
    public function pdfImage(): string
    {
        return 'data:image/svg+xml;base64,' . base64_encode(str_replace('<svg ', '<svg xmlns="http://www.w3.org/2000/svg" ', $this->svg()));
    }

    private function coilX(): float
    {
        return self::RAIL_X + 20 + $this->columns * RungDrawing::COLUMN_PX + 20;
    }

    private function rightX(): float
    {
        return $this->coilX() + self::COIL_ROOM_PX;
    }

    /** @return list<array{string, non-empty-list<array{Rung, int}>}> rungs in order, those of one supply that follow each other together */
    private function groups(): array
    {
        $groups = [];
        $open = [];
        foreach ($this->circuit->rungs as $i => $rung) {
            $open[] = [$rung, $i + 1];
            if (($this->circuit->rungs[$i + 1]->supply ?? null) !== $rung->supply) {
                $groups[] = [$rung->supply, $open];
                $open = [];
            }
        }

        return $groups;
    }

    /** Phase relays look at their supply themselves: they have no rung. */
    private function sensing(): string
    {
        $drawn = '';
        foreach ($this->circuit->ofType(RelayType::PhaseRelay) as $relay) {
            $y = $this->y + 36;
            $x = $this->coilX();
            $phases = $this->circuit->isThreePhase ? 3 : 1;
            $drawn .= $this->on->wire(sprintf('M%d %.1fH%.1f', self::RAIL_X + 20, $y, $x));
            for ($i = 0; $i < $phases; $i++) {
                $drawn .= $this->on->pen->path(sprintf('M%.1f %.1fl7 -14', self::RAIL_X + 60 + 7 * $i, $y + 7), 'ink', 1.4);
            }
            $drawn .= $this->on->pen->text(self::RAIL_X + 20, $y - 14, "$relay->supply, " . ($phases === 3 ? 'L1 L2 L3' : 'L'), size: 13)
                . $this->on->pen->ink->rect($x, $y - 13, 52, 26, $this->on->pen->ink->colour('sheet'), $this->on->pen->ink->colour('ink'))
                . $this->on->pen->text($x + 26, $y + 5, $phases === 3 ? 'm<3' : 'U<', 'middle', size: 13, weight: 600)
                . $this->on->pen->text($x + 62, $y - 2, $relay->id, weight: 600)
                . $this->on->pen->text($x + 62, $y + 14, $this->state($relay) ?? 'phase relay', colour: 'ink-2', size: 13);
            $this->y += 52;
        }

        return $drawn;
    }

    /** @param non-empty-list<array{Rung, int}> $rungs */
    private function group(string $supply, array $rungs): string
    {
        $this->y += self::LABEL_PX;
        $top = $this->y - 20;
        $isAlive = $this->look->moment === null || $this->look->moment->alive[$supply];
        $words = $supply . ($this->look->moment === null ? ' control voltage' : ($isAlive ? ': live' : ': dead'));
        $drawn = $this->on->pen->text(self::RAIL_X + 12, $top - 4, $words, colour: 'ink-2', size: 13);
        foreach ($rungs as [$rung, $number]) {
            $drawn .= $this->rung($rung, $number);
        }
        $foot = $this->y - 14;
        $rail = sprintf('M%d %.1fV%.1f', self::RAIL_X, $top, $foot);
        $right = sprintf('M%.1f %.1fV%.1f', $this->rightX(), $top, $foot);

        return $this->on->wire($rail, $this->look->moment !== null && $isAlive ? $supply : null)
            . $this->on->pen->path($right, 'ink', 1.8) . $this->on->pen->text($this->rightX() + 8, $top + 12, 'N', weight: 600) . $drawn;
    }

    private function rung(Rung $rung, int $number): string
    {
        $block = LadderBlock::of($rung->when);
        $y = $this->y + 34;
        $carries = $this->look->moment !== null && ($this->look->moment->energised[$rung->coil] ?? false);
        $supply = $carries ? $rung->supply : null;
        $contacts = new RungDrawing($this->circuit, $this->on, $this->symbols, $rung->supply);
        $x = self::RAIL_X + 20;
        $coil = $this->coilX();
        $device = $this->circuit->deviceById[explode('.', $rung->coil)[0]];
        $drawn = $this->number($rung->id, $number, $y)
            . $this->on->wire(sprintf('M%d %.1fH%.1f', self::RAIL_X, $y, $x), $supply)
            . $contacts->part($block, $x, $coil, $y, $carries)
            . $this->on->wire(sprintf('M%.1f %.1fH%.1f', $coil + LadderSymbols::COIL_PX, $y, $this->rightX()), $supply)
            . $this->symbols->coil($rung->coil, $coil, $y, $supply)
            . $this->on->pen->text($coil, $y - 21, $rung->coil, weight: 600)
            . $this->on->pen->text($coil + Pen::widthPx($rung->coil) + 12, $y - 21, $this->duty($device), colour: 'ink-2', size: 13);
        $state = $this->state($device);
        if ($state !== null) {
            $words = ($carries ? 'current' : 'no current') . $state;
            $drawn .= $this->on->pen->text($coil, $y + 31, $words, weight: $carries ? 600 : 400, size: 13);
        }
        $this->y += $block->rows * RungDrawing::ROW_PX;

        return $drawn;
    }

    private function start(RelayDevice $start, int $number): string
    {
        $block = LadderBlock::of($start->when ?? Expression::parallel([]));
        $y = $this->y + 50;
        $x = self::RAIL_X + 20;
        $coil = $this->coilX();
        $isCalled = $this->look->moment->called[$start->id] ?? null;
        $terminal = fn(float $at, string $name): string => sprintf(
            '<circle cx="%.1f" cy="%.1f" r="6" fill="%s" stroke="%s" stroke-width="1.8"/>',
            $at,
            $y,
            $this->on->pen->ink->colour('sheet'),
            $this->on->pen->ink->colour('ink'),
        ) . $this->on->pen->text($at, $y - 14, $name, 'middle', size: 13);
        $drawn = $this->number($start->id, $number, $y)
            . (new RungDrawing($this->circuit, $this->on, $this->symbols, null))->part($block, $x, $coil, $y, false)
            . $terminal($x, 'X1:1') . $terminal($coil, 'X1:2')
            . $this->on->pen->text($coil + 14, $y - 2, $start->id, weight: 600)
            . $this->on->pen->text($coil + 14, $y + 14, "starts $start->supply, volt-free", colour: 'ink-2', size: 13);
        if ($isCalled !== null) {
            $words = $isCalled ? 'calls the engine' : 'does not call';
            $drawn .= $this->on->pen->text($coil + 14, $y + 32, $words, weight: $isCalled ? 600 : 400, size: 13);
        }
        $this->y += $block->rows * RungDrawing::ROW_PX + 10;

        return $drawn;
    }

    private function number(string $id, int $number, float $y): string
    {
        $mark = $this->look->marks[$id] ?? null;
        $isSelected = $this->look->selected === $id;
        $drawn = $this->on->pen->text(
            self::NUMBER_X,
            $y + 5,
            (string) $number,
            'middle',
            $mark === 'stop' ? 'stop' : 'ink',
            16,
            weight: 600,
        );
        if ($mark !== null) {
            $drawn .= sprintf(
                '<rect x="%1$d" y="%2$.1f" width="16" height="16" fill="%3$s"/><path d="M%4$d %5$.1fh8" stroke="%6$s" stroke-width="3"/>',
                self::NUMBER_X - 8,
                $y - 30,
                $this->on->pen->ink->colour($mark === 'stop' ? 'stop' : 'ink-2'),
                self::NUMBER_X - 4,
                $y - 22,
                $this->on->pen->ink->colour('sheet'),
            );
        }
        if ($this->look->url === null) {
            return $drawn;
        }

        return sprintf(
            '<a href="%s" aria-label="Rung %d, %s"%s><rect class="%s" x="2" y="%.1f" width="38" height="48" rx="3"/>%s</a>',
            Pen::escaped(($this->look->url)($id)),
            $number,
            Pen::escaped($id),
            $isSelected ? ' aria-current="true"' : '',
            $isSelected ? 'pick picked' : 'pick',
            $y - 34,
            $drawn,
        );
    }

    private function duty(RelayDevice $device): string
    {
        return match (true) {
            $device->isPowerContactor() => "puts $device->supply on",
            $device->type === RelayType::Timer => (string) +$device->seconds . ' s ' . ($device->isOnDelay ? 'on-delay' : 'off-delay'),
            $device->type === RelayType::MotorChangeover => 'changeover drive',
            $device->type === RelayType::Lamp => 'lamp',
            default => 'auxiliary',
        };
    }

    /** Where a device stands, behind a comma; null without a moment. */
    private function state(RelayDevice $device): ?string
    {
        $value = $this->look->moment->values[$device->id] ?? null;
        if (! $this->look->moment instanceof CircuitMoment) {
            return null;
        }

        return match (true) {
            $device->type === RelayType::MotorChangeover => ', at ' . ['I', '0', 'II'][$value ?? 0],
            $device->type === RelayType::PhaseRelay => $value === 2 ? 'finds it good' : 'not good',
            $value === null => '',
            default => [', at rest', ', in travel', ', in'][$value],
        };
    }
}
