<?php

declare(strict_types=1);

namespace App\Drawing\Bench;

use App\Drawing\Ink;
use App\Drawing\Pen;

/** The last minutes of a bench by its log: what hands did, which source was declared good, the engine, the switch. */
final readonly class RecentStrip
{
    private const WIDTH = 520;
    private const LABEL = 84;
    private const LANE = 26;
    private const TOP = 22;
    private const TOLD = ['switch_closed', 'source_lost', 'source_returned', 'engine_fired', 'input'];
    private const TICK_MS = 20_000;
    /** Closer to the end its time would be cut off. */
    private const EDGE = 24;
    private const ENGINE = [
        'crank_started' => 'cranks', 'engine_fired' => 'runs', 'engine_at_speed' => 'runs', 'engine_stopped' => 'stands',
        'engine_locked_out' => 'locked', 'engine_reset' => 'stands', 'crank_failed' => 'stands',
    ];

    /** What stood before an entry that brings a state. */
    private const BEFORE = [
        'lost' => 'good', 'good' => 'lost', 'cranks' => 'stands', 'runs' => 'cranks', 'stands' => 'runs', 'locked' => 'stands',
        'normal' => 'off', 'emergency' => 'off',
    ];

    private Pen $pen;

    /**
     * @param list<array<string, mixed>> $log     in order
     * @param array{string, string}      $sources how the two are called
     * @param array{string, string, string} $now  first source good or lost, engine or second source, switch, where the log says nothing
     */
    public function __construct(
        private array $log,
        private int $nowMs,
        private int $spanMs,
        private array $sources,
        private bool $hasEngine,
        private array $now,
    ) {
        $this->pen = new Pen(new Ink(false));
    }

    public function svg(): string
    {
        $lanes = [
            ['By hand', null],
            [$this->sources[0], fn(array $one): ?string => self::declared($one, 'normal')],
            ...($this->hasEngine ? [['Engine', static fn(array $one): ?string => self::ENGINE[$one['kind']] ?? null]]
                : [[$this->sources[1], fn(array $one): ?string => self::declared($one, 'emergency')]]),
            ['Switch', static fn(array $one): ?string => match ($one['kind']) {
                'switch_opened' => 'off',
                'switch_closed' => is_string($one['to'] ?? null) ? $one['to'] : null,
                default => null,
            }],
        ];
        $svg = $this->axis(self::TOP + self::LANE * count($lanes));
        $now = ['', ...$this->now];
        foreach ($lanes as $i => [$name, $state]) {
            $y = self::TOP + self::LANE * $i;
            $svg .= $this->pen->text(0, $y + 17, $name, size: 13, weight: 600);
            $svg .= $state === null ? $this->hands($y) : $this->lane($y, $state, $now[$i] ?? '');
        }

        return sprintf(
            '<svg class="recent-strip" viewBox="0 0 %d %d" role="img" aria-label="The last two minutes: %s">%s</svg>',
            self::WIDTH,
            self::TOP + self::LANE * count($lanes) + 4,
            Pen::escaped($this->told()),
            $svg,
        );
    }

    private function axis(float $foot): string
    {
        $svg = '';
        for ($t = (int) (ceil(($this->nowMs - $this->spanMs) / self::TICK_MS) * self::TICK_MS); $t <= $this->nowMs; $t += self::TICK_MS) {
            if ($t >= 0 && $this->x($t) < self::WIDTH - self::EDGE) {
                $svg .= $this->pen->path(sprintf('M%.1f %dV%.1f', $this->x($t), self::TOP - 4, $foot), 'hair')
                    . $this->pen->text($this->x($t), self::TOP - 8, self::clock($t), 'middle', 'ink-2', 13, isFigure: true);
            }
        }

        return $svg . $this->pen->path(sprintf('M%.1f %dV%.1f', $this->x($this->nowMs), self::TOP - 4, $foot), 'steel', 2);
    }

    private static function clock(int $ms): string
    {
        return sprintf('%d:%02d', intdiv($ms, 60_000), intdiv($ms, 1000) % 60);
    }

    private function hands(float $y): string
    {
        $svg = '';
        foreach ($this->log as $one) {
            if ($one['kind'] === 'input' && $this->isRecent($one)) {
                $svg .= $this->pen->path(sprintf('M%.1f %.1fV%.1f', $this->x(self::ms($one)), $y + 4, $y + 22), 'steel', 2.4);
            }
        }

        return $svg;
    }

    /**
     * @param \Closure(array<string, mixed>): ?string $state that an entry brings
     * @param string                                  $now   where no entry says anything
     */
    private function lane(float $y, \Closure $state, string $now): string
    {
        $from = max(0, $this->nowMs - $this->spanMs);
        $is = null;
        $svg = '';
        foreach ([...$this->log, ['kind' => 'now', 't_ms' => $this->nowMs]] as $one) {
            $next = $one['kind'] === 'now' ? 'now' : $state($one);
            if ($next === null || $next === $is) {
                continue;
            }
            $until = min(self::ms($one), $this->nowMs);
            $left = $next === 'off' && is_string($one['from'] ?? null) ? $one['from'] : null;
            $is ??= $next === 'now' ? $now : $left ?? self::BEFORE[$next] ?? $now;
            if ($until > $from) {
                $svg .= $this->bar($y, $is, $from, $until);
                $from = $until;
            }
            $is = $next;
        }

        return $svg;
    }

    private function bar(float $y, string $state, int $fromMs, int $untilMs): string
    {
        $x = $this->x($fromMs);
        $width = $this->x($untilMs) - $x;

        return match ($state) {
            'good', 'normal' => $this->pen->ink->bar('util', $x, $y + 8, $width, 10),
            'emergency', 'runs' => $this->pen->ink->bar($this->hasEngine ? 'gen' : 'util', $x, $y + 8, $width, 10),
            'cranks' => $this->pen->ink->bar('gen-idle', $x, $y + 8, $width, 10),
            'lost', 'locked' => $this->pen->ink->bar('dead', $x, $y + 8, $width, 10),
            'off' => $this->pen->ink->rect($x, $y + 4, max(2.0, $width), 18, $this->pen->ink->colour('dark')),
            default => $this->pen->path(sprintf('M%.1f %.1fH%.1f', $x, $y + 13, $x + $width), 'edge'),
        };
    }

    private function told(): string
    {
        $words = [];
        foreach ($this->log as $one) {
            if ($this->isRecent($one) && in_array($one['kind'], self::TOLD, true)) {
                $words[] = str_replace('_', ' ', (string) ($one['kind'] === 'input' ? ($one['do'] ?? '') : $one['kind']));
            }
        }

        return $words === [] ? 'nothing happened' : implode(', ', array_slice($words, -8));
    }

    /** @param array<string, mixed> $one */
    private static function declared(array $one, string $source): ?string
    {
        return ($one['source'] ?? null) !== $source ? null : match ($one['kind']) {
            'source_lost' => 'lost',
            'source_returned' => 'good',
            default => null,
        };
    }

    /** @param array<string, mixed> $one */
    private function isRecent(array $one): bool
    {
        return self::ms($one) >= $this->nowMs - $this->spanMs;
    }

    /** @param array<string, mixed> $one */
    private static function ms(array $one): int
    {
        return is_int($one['t_ms'] ?? null) ? $one['t_ms'] : 0;
    }

    private function x(int $ms): float
    {
        return self::LABEL + (self::WIDTH - self::LABEL - 6) * max(0.0, 1 - ($this->nowMs - $ms) / $this->spanMs);
    }
}
