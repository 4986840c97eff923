<?php

declare(strict_types=1);

namespace App\Drawing\Ladder;

use App\Drawing\Ink;
use App\Drawing\Pen;
use Escapement\Core\RelayLogic\RelayCircuit;
use Escapement\Core\RelayLogic\RelayDevice;
use Escapement\Core\RelayLogic\RelayType;
use Escapement\Core\RelayLogic\Story\CircuitMoment;
use Escapement\Core\RelayLogic\Story\StoryStep;

/**
 * The way to a state as lanes over its steps: the proof knows an order and no seconds, so every step is as wide as the next.
 * Lanes are those of a played circuit.
 */
final readonly class StepStrip
{
    private const LEFT = 118;
    private const LANE_PX = 28;
    private const BAR_PX = 16;
    private const TOP = 26;
    private const STEP_PX = 64;

    private Pen $pen;

    /**
     * @param non-empty-list<StoryStep> $steps
     * @param int                       $now   the one that is looked at
     */
    public function __construct(private RelayCircuit $circuit, private array $steps, private int $now)
    {
        $this->pen = new Pen(new Ink(false));
    }

    public function svg(): string
    {
        $lanes = $this->lanes();
        $height = self::TOP + count($lanes) * self::LANE_PX + 6;
        $width = self::LEFT + count($this->steps) * self::STEP_PX + 10;
        $ink = $this->pen->ink;
        $x = self::LEFT + $this->now * self::STEP_PX;
        $body = $ink->rect($x, 4, self::STEP_PX, $height - 8, $ink->colour('steel-tint'));
        foreach (array_keys($this->steps) as $i) {
            $at = self::LEFT + $i * self::STEP_PX;
            $body .= $this->pen->path(sprintf('M%d 20V%d', $at, $height - 6), 'hair', .8)
                . $this->pen->text($at + self::STEP_PX / 2, 16, $i === 0 ? 'start' : (string) $i, 'middle', 'ink-2', 12, isFigure: true);
        }
        $y = self::TOP;
        foreach ($lanes as $name => $of) {
            $body .= $this->pen->text(self::LEFT - 8, $y + 13, (string) $name, 'end', size: 13);
            foreach ($this->bars($of) as [$from, $to, $pattern]) {
                $body .= $this->bar($pattern, self::LEFT + $from * self::STEP_PX, $y, ($to - $from) * self::STEP_PX);
            }
            $y += self::LANE_PX;
        }

        return sprintf(
            '<svg class="play-strip" width="%1$d" height="%2$d" viewBox="0 0 %1$d %2$d" role="img" aria-label="%3$s">%4$s</svg>',
            $width,
            $height,
            'Steps to both closed, as lanes',
            $body,
        );
    }

    /** @return array<string, \Closure(CircuitMoment): ?string> pattern of a lane at a step; null: nothing */
    private function lanes(): array
    {
        $lanes = [];
        foreach ($this->circuit->failing() as $supply) {
            $pattern = $this->pattern($supply->id);
            $lanes[$supply->id] = static fn(CircuitMoment $at): ?string => ($at->alive[$supply->id] ?? false) ? $pattern : null;
        }
        foreach ($this->circuit->devices as $device) {
            if ($device->type->isMoving()) {
                $lanes[$device->id] = fn(CircuitMoment $at): ?string => $this->device($at, $device);
            } elseif ($device->type === RelayType::Start) {
                $lanes[$device->id] = static fn(CircuitMoment $at): ?string => ($at->called[$device->id] ?? false) ? 'ink' : null;
            }
        }
        $lanes['Load'] = fn(CircuitMoment $at): ?string => match (count($at->mains)) {
            0 => null,
            1 => ($at->alive[array_values($at->mains)[0]] ?? false) ? $this->pattern(array_values($at->mains)[0]) : null,
            default => 'both',
        };

        return $lanes;
    }

    private function device(CircuitMoment $at, RelayDevice $device): ?string
    {
        $value = $at->values[$device->id] ?? 0;
        if ($device->type === RelayType::MotorChangeover) {
            return [$this->pattern((string) $device->supplyI), null, $this->pattern((string) $device->supplyII)][$value] ?? null;
        }

        return match (true) {
            $value !== 2 && isset($at->mains[$device->id]) => 'both', // welded
            $value === 2 => $device->isPowerContactor() ? $this->pattern((string) $device->supply) : 'ink',
            $value === 1 => 'travel',
            default => null,
        };
    }

    private function pattern(string $supply): string
    {
        return $supply === $this->circuit->preferred ? 'util' : 'gen';
    }

    /**
     * @param \Closure(CircuitMoment): ?string $of
     *
     * @return list<array{int, int, string}> from a step to before a step, and its pattern
     */
    private function bars(\Closure $of): array
    {
        $bars = [];
        $since = null;
        $was = null;
        foreach ([...$this->steps, null] as $i => $step) {
            $now = $step === null ? null : $of($step->moment);
            if ($now !== $was) {
                if ($was !== null && $since !== null) {
                    $bars[] = [$since, $i, $was];
                }
                [$since, $was] = [$i, $now];
            }
        }

        return $bars;
    }

    private function bar(string $pattern, float $x, float $y, float $width): string
    {
        $ink = $this->pen->ink;

        return match ($pattern) {
            'ink' => $ink->rect($x, $y, $width, self::BAR_PX, $ink->colour('ink-2')),
            'travel' => $ink->rect($x, $y + 4, $width, self::BAR_PX - 8, $ink->colour('edge')),
            'both' => $ink->rect($x, $y, $width, self::BAR_PX, $ink->colour('stop')),
            default => $ink->bar($pattern, $x, $y, $width, self::BAR_PX),
        };
    }
}
