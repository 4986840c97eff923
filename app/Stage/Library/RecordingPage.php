<?php

declare(strict_types=1);

namespace App\Stage\Library;

use App\Bridge\RecordingSeries;
use App\Models\Recording;
use App\Models\Site;
use App\Models\TransferSwitch;
use Escapement\Core\Plant\Engine;
use Escapement\Core\Plant\Plant;
use Escapement\Core\Plant\PlantKind;
use Escapement\Core\Plant\Source;
use Escapement\Core\Recording\Reduction;
use Escapement\Core\Recording\Series;
use Escapement\Core\Rehearsal\Script\Block;
use Escapement\Core\Rehearsal\Script\BlockKind;
use Escapement\Core\Rehearsal\Script\Script;
use Escapement\Core\Settings\Limit;
use Escapement\Core\Settings\Sensing;
use Escapement\Core\Settings\SheetWords;
use Illuminate\Database\Eloquent\Collection;

/** One recording, or a stretch of it, with what disturbed the supply in it. */
final readonly class RecordingPage
{
    public const WIDTH = 1080;
    public const HEIGHT = 260;
    private const LEFT = 64;
    private const FOOT = 30;
    private const LEAST_MS = 100;
    private const MOST_LISTED = 200;
    /** Usual limits, for the list of disturbances alone; a rehearsal uses those of its sheet. */
    private const DROPOUT_PCT = 80;
    private const PICKUP_PCT = 90;

    public Series $series;
    public int $fromMs;
    public int $toMs;
    /** @var list<Block> */
    public array $disturbances;

    /** @param Collection<int, Site> $sites that it could be played on */
    public function __construct(public Recording $recording, public Collection $sites, int $fromMs, int $toMs)
    {
        $this->series = (new RecordingSeries($recording))->series();
        $longest = max(self::LEAST_MS, $recording->until_ms);
        $toMs = $toMs <= $fromMs ? $longest : $toMs;
        $this->fromMs = max(0, min($fromMs, $longest - self::LEAST_MS));
        $this->toMs = max($this->fromMs + self::LEAST_MS, min($toMs, $longest));
        $source = new Source($recording->phases, $recording->nominal_v, $recording->nominal_hz);
        $events = (new Reduction(
            $source,
            [new Sensing(new Limit(self::DROPOUT_PCT, self::PICKUP_PCT), new Limit(115, 110))],
        ))->events($this->series);
        $plant = new Plant(PlantKind::Standby, $source, $source, new Engine(0, 0, 0, 1, 0, 0));
        $this->disturbances = Script::read($events, $plant)->blocks;
    }

    /** @return list<array{at: string, fromMs: int, toMs: int, words: string}> */
    public function listed(): array
    {
        return array_map(function (Block $block): array {
            $lastsMs = $block->lastsMs ?? $this->recording->until_ms - $block->atMs;
            $lowest = min([INF, ...($block->v ?? [])]);
            $what = $block->kind === BlockKind::Hertz ? round((float) $block->hz, 2) . "\u{202F}Hz"
                : ($lowest < 0.1 * $this->recording->nominal_v ? 'no voltage' : implode(
                    ' / ',
                    array_map(static fn(int|float $v): string => (string) round($v), $block->v ?? []),
                ) . "\u{202F}V");
            $margin = max(500, intdiv($lastsMs, 2));

            return [
                'at' => SheetWords::clock($block->atMs),
                'fromMs' => max(0, $block->atMs - $margin),
                'toMs' => $block->atMs + $lastsMs + $margin,
                'words' => "$what for " . SheetWords::seconds($lastsMs),
            ];
        }, array_slice($this->disturbances, 0, self::MOST_LISTED));
    }

    /** The lowest and highest value a pixel, so that nothing short is lost however far one stands back. */
    public function svg(): string
    {
        $highest = 1.2 * $this->recording->nominal_v;
        foreach ($this->series->v as $values) {
            $highest = max($highest, ...($values === [] ? [0.0] : [max($values)]));
        }
        $foot = self::HEIGHT - self::FOOT;
        $y = static fn(float $v): float => $foot - $v / $highest * ($foot - 10);
        $svg = '';
        foreach ([[self::PICKUP_PCT, '7 3'], [self::DROPOUT_PCT, '2 3']] as [$percent, $dash]) {
            $v = $this->recording->nominal_v * $percent / 100;
            $svg .= sprintf(
                '<path class="limit" d="M%d %.1fH%d" stroke-dasharray="%s"/><text x="%d" y="%.1f" text-anchor="end">%s&#8239;V</text>',
                self::LEFT,
                $y($v),
                self::WIDTH,
                $dash,
                self::LEFT - 6,
                $y($v) + ($percent === self::PICKUP_PCT ? 0 : 9),
                round($v, 1),
            );
        }
        $svg .= sprintf(
            '<text x="%d" y="%.1f" text-anchor="end">%s&#8239;V</text><text x="%d" y="%d" text-anchor="end">0</text>',
            self::LEFT - 6,
            $y($this->recording->nominal_v) + 2,
            round($this->recording->nominal_v),
            self::LEFT - 6,
            $foot,
        );
        foreach (array_keys($this->series->v) as $phase) {
            $svg .= sprintf('<path class="trace trace-%d" d="%s"/>', $phase, $this->trace($phase, $y));
        }
        foreach (range(0, 6) as $i) {
            $ms = $this->fromMs + intdiv(($this->toMs - $this->fromMs) * $i, 6);
            $x = self::LEFT + (self::WIDTH - self::LEFT - 1) * $i / 6;
            $svg .= sprintf(
                '<path class="tick" d="M%.1f %dv6"/><text x="%.1f" y="%d" text-anchor="%s">%s</text>',
                $x,
                $foot,
                $x,
                $foot + 22,
                $i === 0 ? 'start' : ($i === 6 ? 'end' : 'middle'),
                SheetWords::clock($ms),
            );
        }

        return sprintf(
            '<svg class="recording" viewBox="0 0 %d %d" role="img" aria-label="RMS voltage from %s to %s" data-from="%d" '
                . 'data-to="%d" data-left="%d">%s</svg>',
            self::WIDTH,
            self::HEIGHT,
            SheetWords::clock($this->fromMs),
            SheetWords::clock($this->toMs),
            $this->fromMs,
            $this->toMs,
            self::LEFT,
            $svg,
        );
    }

    /** @return array<string, array{int, int}> from and to of the ways to look elsewhere */
    public function looks(): array
    {
        $span = $this->toMs - $this->fromMs;
        $whole = $this->recording->until_ms;

        return array_filter([
            'All of it' => [0, $whole],
            'Twice as near' => [$this->fromMs + intdiv($span, 4), $this->toMs - intdiv($span, 4)],
            'Twice as far' => [max(0, $this->fromMs - intdiv($span, 2)), min($whole, $this->toMs + intdiv($span, 2))],
            'Earlier' => [max(0, $this->fromMs - intdiv($span, 2)), max($span, $this->toMs - intdiv($span, 2))],
            'Later' => [min($whole - $span, $this->fromMs + intdiv($span, 2)), min($whole, $this->toMs + intdiv($span, 2))],
        ], fn(array $look): bool => $look !== [$this->fromMs, $this->toMs]);
    }

    /** @param callable(float): float $y */
    private function trace(int $phase, callable $y): string
    {
        $pxPerMs = (self::WIDTH - self::LEFT) / ($this->toMs - $this->fromMs);
        $low = $high = [];
        $values = $this->series->v[$phase];
        $points = $this->series->atMs;
        foreach ($points as $i => $atMs) {
            $endMs = $points[$i + 1] ?? $this->recording->until_ms;
            if ($endMs < $this->fromMs || $atMs > $this->toMs) {
                continue;
            }
            $from = (int) ((max($atMs, $this->fromMs) - $this->fromMs) * $pxPerMs);
            $to = (int) ((min($endMs, $this->toMs) - $this->fromMs) * $pxPerMs);
            for ($px = $from; $px <= $to; $px++) {
                $low[$px] = min($low[$px] ?? INF, $values[$i]);
                $high[$px] = max($high[$px] ?? 0.0, $values[$i]);
            }
        }
        $path = '';
        foreach ($low as $px => $least) {
            $path .= sprintf('%s%d %.1f', $path === '' ? 'M' : 'L', self::LEFT + $px, $y($high[$px]));
            if ($high[$px] - $least > 0.05) {
                $path .= sprintf('V%.1f', $y($least));
            }
        }

        return $path;
    }

    /** Under this name a rehearsal plays it. */
    public function story(): string
    {
        return "recording-{$this->recording->id}";
    }

    /** The site, and which of its switches where it has several. */
    public function named(TransferSwitch $switch, Site $site): string
    {
        return $site->name . (count($site->switches) > 1 ? ", $switch->name" : '');
    }
}
