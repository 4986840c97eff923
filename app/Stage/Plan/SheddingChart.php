<?php

declare(strict_types=1);

namespace App\Stage\Plan;

use App\Bridge\PlanFacts;

/** Running kW as stairs and each start as a stroke, under the two limits of the source. */
final readonly class SheddingChart
{
    private const LEFT = 52;
    private const RIGHT = 24;
    private const KW_TOP = 26;
    private const KW_FOOT = 176;
    private const KVA_TOP = 214;
    private const KVA_FOOT = 304;
    private const PLOT_WIDTH = 1060;

    private float $lastS;
    private float $mostKw;
    private float $mostKva;

    public function __construct(private SheddingPage $page)
    {
        $steps = $page->steps();
        $last = $steps[count($steps) - 1] ?? null;
        $this->lastS = ($last['t_s'] ?? 20) * 1.15 + 5;
        $this->mostKw = 1.12 * max([$page->usableKw, $page->baseKw(), 0.1, ...array_column($steps, 'running_kw')]);
        $this->mostKva = 1.12 * max([$page->limitKva, 0.1, ...array_column($steps, 'start_kva')]);
    }

    public function svg(): string
    {
        $width = self::PLOT_WIDTH;
        $parts = [sprintf(
            '<svg class="shed-chart" viewBox="0 0 %d 330" width="%d" height="330" role="img" aria-label="%s">',
            $width,
            $width,
            e($this->words()),
        )];
        $parts[] = $this->axis('Running, kW', self::KW_TOP, self::KW_FOOT, $this->mostKw) . $this->axis(
            'Start, kVA',
            self::KVA_TOP,
            self::KVA_FOOT,
            $this->mostKva,
        );
        $parts[] = $this->limit(
            $this->page->usableKw,
            $this->mostKw,
            self::KW_TOP,
            self::KW_FOOT,
            'the source gives ' . round($this->page->usableKw, 1) . ' kW',
        );
        $parts[] = $this->limit(
            $this->page->limitKva,
            $this->mostKva,
            self::KVA_TOP,
            self::KVA_FOOT,
            'a start of ' . round($this->page->limitKva, 1) . ' kVA dips by ' . PlanFacts::DIP_LIMIT_PCT . ' %',
        );
        $path = sprintf(
            'M%.1f %d V%.1f',
            $this->x(0),
            self::KW_FOOT,
            $this->y($this->page->baseKw(), $this->mostKw, self::KW_TOP, self::KW_FOOT),
        );
        $labels = '';
        foreach ($this->page->steps() as $step) {
            $x = $this->x($step['t_s']);
            $y = $this->y($step['running_kw'], $this->mostKw, self::KW_TOP, self::KW_FOOT);
            $path .= sprintf(' H%.1f V%.1f', $x, $y);
            $labels .= sprintf(
                '<text class="tick" x="%.1f" y="%d" text-anchor="middle">%s s</text>',
                $x,
                self::KVA_FOOT + 18,
                round($step['t_s']),
            );
            $labels .= sprintf('<text class="name" x="%.1f" y="%.1f">%s</text>', $x + 5, max(self::KW_TOP + 12, $y - 6), e($step['id']));
            if ($step['start_kva'] > 0) {
                $isLate = $x > self::PLOT_WIDTH - 160; // no room for its words on the right
                $top = $this->y($step['start_kva'], $this->mostKva, self::KVA_TOP, self::KVA_FOOT);
                $labels .= sprintf(
                    '<rect class="start" x="%.1f" y="%.1f" width="12" height="%.1f"/><text x="%.1f" y="%.1f" text-anchor="%s">%s '
                        . 'kVA, dip %s %%</text>',
                    $x - 6,
                    $top,
                    self::KVA_FOOT - $top,
                    $isLate ? $x - 11 : $x + 11,
                    max(self::KVA_TOP + 12, $top + 12),
                    $isLate ? 'end' : 'start',
                    round($step['start_kva'], 1),
                    round($step['dip_pct']),
                );
            }
        }
        $path .= sprintf(' H%.1f V%d Z', $this->x($this->lastS), self::KW_FOOT);
        $parts[] = sprintf('<path class="running" d="%s"/>', $path) . $labels . '</svg>';

        return implode('', $parts);
    }

    private function axis(string $name, int $top, int $foot, float $most): string
    {
        $step = 10 ** floor(log10($most)) / ($most / 10 ** floor(log10($most)) < 3 ? 2 : 1);
        $lines = sprintf(
            '<text class="name" x="0" y="%d">%s</text><path class="axis" d="M%d %d H%d"/>',
            $top - 10,
            $name,
            self::LEFT,
            $foot,
            self::PLOT_WIDTH - self::RIGHT,
        );
        for ($value = 0.0; $value < $most; $value += $step) {
            $y = $this->y($value, $most, $top, $foot);
            $lines .= sprintf(
                '<text class="tick fig" x="%d" y="%.1f" text-anchor="end">%s</text><path class="hair" d="M%d %.1f H%d"/>',
                self::LEFT - 8,
                $y + 4,
                round($value, 1),
                self::LEFT,
                $y,
                self::PLOT_WIDTH - self::RIGHT,
            );
        }

        return $lines;
    }

    private function limit(float $value, float $most, int $top, int $foot, string $words): string
    {
        $y = $this->y($value, $most, $top, $foot);

        return sprintf(
            '<path class="limit" d="M%d %.1f H%d"/><text class="limit-words" x="%d" y="%.1f">%s</text>',
            self::LEFT,
            $y,
            self::PLOT_WIDTH - self::RIGHT,
            self::LEFT + 4,
            $y - 6,
            $words,
        );
    }

    private function x(float $seconds): float
    {
        return self::LEFT + (self::PLOT_WIDTH - self::LEFT - self::RIGHT) * $seconds / $this->lastS;
    }

    private function y(float $value, float $most, int $top, int $foot): float
    {
        return $foot - ($foot - $top) * min(1, $value / $most);
    }

    private function words(): string
    {
        $steps = array_map(
            static fn(array $step): string => $step['id'] . ' after ' . round($step['t_s']) . ' s, then '
                . round($step['running_kw'], 1) . ' kW',
            $this->page->steps(),
        );

        return round($this->page->baseKw(), 1) . ' kW from the first moment; ' . ($steps === []
            ? 'nothing comes back later'
            : implode('; ', $steps)) . '.';
    }
}
