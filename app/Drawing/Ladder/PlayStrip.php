<?php

declare(strict_types=1);

namespace App\Drawing\Ladder;

use App\Drawing\Ink;
use App\Drawing\Pen;
use App\Drawing\Strip\StripHandle;
use App\Drawing\TimeScale;
use Escapement\Core\RelayLogic\Play\EngineState;
use Escapement\Core\RelayLogic\Play\PlayMoment;
use Escapement\Core\RelayLogic\Play\PlayStory;
use Escapement\Core\RelayLogic\RelayDevice;
use Escapement\Core\RelayLogic\RelayType;

/** A played circuit over time: supplies, engines, each device that moves, the start contact, the load. */
final readonly class PlayStrip
{
    private const LEFT = 118;
    private const LANE_PX = 32;
    private const BAR_PX = 18;
    private const TOP = 30;
    private const LIVE_PCT = 85;

    private Pen $pen;
    private TimeScale $scale;

    /** @param list<StripHandle> $grips lines of the script that can be moved in time */
    public function __construct(
        private PlayStory $story,
        private ?int $cursorMs,
        int $width,
        bool $isPaper = false,
        private array $grips = [],
    ) {
        $this->pen = new Pen(new Ink($isPaper));
        $this->scale = new TimeScale($story->moments(), $story->result->endedMs, $width - self::LEFT - 10);
    }

    public function svg(): string
    {
        $lanes = $this->lanes();
        $height = self::TOP + (count($lanes) + ($this->grips === [] ? 0 : 1)) * self::LANE_PX + 8;
        $body = $this->axis($height);
        $y = self::TOP + ($this->grips === [] ? 0 : self::LANE_PX);
        foreach ($lanes as [$name, $bars]) {
            $body .= $this->pen->text(self::LEFT - 8, $y + 15, $name, 'end', size: 13)
                . $this->pen->rule($y + self::LANE_PX - 4, self::LEFT, self::LEFT + $this->scale->width);
            foreach ($bars as $bar) {
                $body .= $this->bar($bar, $y);
            }
            $y += self::LANE_PX;
        }

        return sprintf(
            '<svg class="play-strip" width="%1$d" height="%2$d" viewBox="0 0 %1$d %2$d" role="%6$s" aria-label="%4$s"%5$s>%3$s</svg>',
            (int) ceil(self::LEFT + $this->scale->width + 10),
            $height,
            // the grips lie on top: what lies on them would take the finger
            $body . $this->both($height) . $this->cursor($height) . ($this->grips === [] ? '' : $this->grips(self::TOP)),
            'Timing strip of the run',
            $this->grips === [] ? '' : ' data-left="' . self::LEFT . '" data-segments="' . Pen::escaped(json_encode(array_map(
                static fn(array $segment): array => [$segment['fromMs'], $segment['toMs'], $segment['fromX'], $segment['toX']],
                $this->scale->segments,
            ), JSON_THROW_ON_ERROR)) . '"',
            $this->grips === [] ? 'img' : 'group',
        );
    }

    public function pdfImage(): string
    {
        return 'data:image/svg+xml;base64,' . base64_encode(str_replace('<svg ', '<svg xmlns="http://www.w3.org/2000/svg" ', $this->svg()));
    }

    /** A block for each line of the script: dragged, or turned by the arrow keys, it is played anew from there. */
    private function grips(float $y): string
    {
        $drawn = $this->pen->text(self::LEFT - 8, $y + 15, 'Script', 'end', size: 13)
            . $this->pen->rule($y + self::LANE_PX - 4, self::LEFT, self::LEFT + $this->scale->width);
        foreach ($this->grips as $grip) {
            $x = self::LEFT + $this->scale->x($grip->atMs);
            $drawn .= sprintf(
                '<g class="handle" tabindex="0" role="slider" data-field="%1$s[at]" aria-label="%2$s, at" aria-valuemin="0" '
                    . 'aria-valuemax="86400" aria-valuenow="%3$s" aria-valuetext="%2$s at %3$s seconds"><title>%2$s</title>'
                    . '<rect class="hit" x="%4$.1f" y="%5$.1f" width="44" height="40"/>'
                    . '<rect class="block" x="%6$.1f" y="%7$.1f" width="10" height="18"/></g>',
                $grip->field,
                Pen::escaped($grip->label),
                $grip->atMs / 1000,
                $x - 22,
                $y - 10,
                $x - 5,
                $y,
            );
        }

        return $drawn;
    }

    /** @return list<array{string, list<array{from_ms: int, to_ms: int, value: string}>}> value: the pattern, then words */
    private function lanes(): array
    {
        $circuit = $this->story->input->circuit;
        $lanes = [];
        foreach ($circuit->failing() as $supply) {
            $pattern = $this->pattern($supply->id);
            $lanes[] = [$supply->id, $this->story->spans(fn(PlayMoment $at): ?string => $this->supply($at, $supply->id, $pattern))];
            if ($this->story->input->supplies[$supply->id]->engine !== null) {
                $lanes[] = ["$supply->id engine", $this->story->spans(static fn(PlayMoment $at): ?string =>
                    ($at->engines[$supply->id] ?? EngineState::Stopped) === EngineState::Stopped
                        ? null
                        : 'gen-idle ' . str_replace('_', ' ', $at->engines[$supply->id]->value))];
            }
        }
        foreach ($circuit->devices as $device) {
            if ($device->type->isMoving()) {
                $lanes[] = [$device->id, $this->story->spans(fn(PlayMoment $at): ?string => $this->device($at, $device))];
            } elseif ($device->type === RelayType::Start) {
                $lanes[] = [$device->id, $this->story->spans(
                    static fn(PlayMoment $at): ?string => $at->circuit->called[$device->id] ? 'ink closed' : null,
                )];
            }
        }
        $lanes[] = ['Load', $this->story->spans(fn(PlayMoment $at): ?string => $this->load($at))];

        return $lanes;
    }

    private function pattern(string $supply): string
    {
        return $supply === $this->story->input->circuit->preferred ? 'util' : 'gen';
    }

    private function supply(PlayMoment $at, string $supply, string $pattern): ?string
    {
        $volts = $at->volts[$supply] ?? [];
        $nominal = $this->story->input->supplies[$supply]->nominalV;
        $live = count(array_filter($volts, static fn(float $v): bool => 100 * $v >= self::LIVE_PCT * $nominal));

        return match (true) {
            $volts === [] || max($volts) <= 0.0 => null,
            $live === count($volts) => $pattern,
            default => 'dead ' . implode(' / ', array_map(static fn(float $v): string => (string) round($v), $volts)) . ' V',
        };
    }

    private function device(PlayMoment $at, RelayDevice $device): ?string
    {
        $value = $at->circuit->values[$device->id];
        if ($device->type === RelayType::MotorChangeover) {
            return [$this->pattern((string) $device->supplyI) . ' I', null, $this->pattern((string) $device->supplyII) . ' II'][$value];
        }

        if ($value !== 2 && isset($at->circuit->mains[$device->id])) {
            return 'both welded';
        }

        return match ($value) {
            2 => $device->isPowerContactor() ? $this->pattern((string) $device->supply) . ' in' : 'ink in',
            1 => 'travel',
            default => null,
        };
    }

    private function load(PlayMoment $at): ?string
    {
        $feeding = $at->bus->feeding;
        $live = max($at->bus->v) > 0.0;

        return match (true) {
            count($feeding) > 1 => 'both both sources',
            $feeding === [] || ! $live => null,
            default => $this->pattern($feeding[0]) . " $feeding[0]",
        };
    }

    /** @param array{from_ms: int, to_ms: int, value: string} $bar */
    private function bar(array $bar, float $y): string
    {
        [$pattern, $words] = explode(' ', $bar['value'], 2) + [1 => ''];
        $x = self::LEFT + $this->scale->x($bar['from_ms']);
        $width = max(1.6, self::LEFT + $this->scale->x($bar['to_ms']) - $x);
        $ink = $this->pen->ink;
        $drawn = match ($pattern) {
            'ink' => $ink->rect($x, $y, $width, self::BAR_PX, $ink->colour('ink-2')),
            'travel' => $ink->rect($x, $y + 5, $width, self::BAR_PX - 10, $ink->colour('edge')),
            'both' => $ink->rect($x, $y, $width, self::BAR_PX, $ink->colour('stop')),
            default => $ink->bar($pattern, $x, $y, $width, self::BAR_PX),
        };
        $isRoomy = $words !== '' && $width > Pen::widthPx($words) + 14;

        return $drawn . ($isRoomy ? $this->pen->plate($x + 4, $y + 14, $words, $x + $width) : '');
    }

    private function axis(int $height): string
    {
        $drawn = '';
        foreach ($this->scale->segments as $segment) {
            if ($segment['isFold']) {
                $middle = self::LEFT + ($segment['fromX'] + $segment['toX']) / 2;
                $drawn .= $this->pen->path(sprintf('M%.1f %dl-5 5l5 5l-5 5l5 5', $middle, 4), 'edge', 1.4);
                continue;
            }
            $tick = $this->scale->tickMs();
            for ($ms = (int) ceil($segment['fromMs'] / $tick) * $tick; $ms <= $segment['toMs']; $ms += $tick) {
                $x = self::LEFT + $this->scale->x($ms);
                $drawn .= $this->pen->path(sprintf('M%.1f 22V%d', $x, $height - 6), 'hair', .8)
                    . $this->pen->text($x, 16, self::clock($ms), 'middle', 'ink-2', 12, isFigure: true);
            }
        }

        return $drawn;
    }

    private static function clock(int $ms): string
    {
        return $ms > 0 && $ms % 60_000 === 0 ? $ms / 60_000 . ' min' : $ms / 1000 . ' s';
    }

    private function both(int $height): string
    {
        $drawn = '';
        foreach ($this->story->result->bothClosed as $both) {
            $x = self::LEFT + $this->scale->x($both['from_ms']);
            $drawn .= $this->pen->path(sprintf('M%.1f 22V%d', $x, $height - 6), 'stop', 2)
                . $this->pen->plate($x + 4, $height - 10, "both closed, {$both['ms']} ms", self::LEFT + $this->scale->width);
        }

        return $drawn;
    }

    private function cursor(int $height): string
    {
        if ($this->cursorMs === null) {
            return '';
        }
        $x = self::LEFT + $this->scale->x($this->cursorMs);

        return $this->pen->path(sprintf('M%.1f 20V%d', $x, $height - 6), 'steel', 2)
            . $this->pen->shape(sprintf('M%.1f 20l-6 -9h12z', $x), 'steel');
    }
}
