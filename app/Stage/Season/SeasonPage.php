<?php

declare(strict_types=1);

namespace App\Stage\Season;

use App\Models\Season;
use App\Stage\SiteStanding;
use Escapement\Core\Settings\SheetWords;

/** A season as it goes, or its candidates one beside the other. */
final readonly class SeasonPage
{
    private const WIDTH = 760;
    private const HEIGHT = 340;
    private const LEFT = 84;
    private const FOOT = 52;

    public SiteStanding $standing;
    public int $count;
    /** @var list<SeasonRow> */
    public array $rows;
    public ?SeasonRow $picked;

    public function __construct(public Season $season, int $pick)
    {
        $this->standing = new SiteStanding($season->switch->site, $season->switch);
        $candidates = $season->input['candidates'] ?? [];
        $this->count = is_array($candidates) ? count($candidates) : 0;
        $rows = [];
        foreach ($season->result['candidates'] ?? [] as $i => $candidate) {
            $rows[] = new SeasonRow((int) $i, $candidate['name'], $candidate['metrics'], $candidate['outages'], $candidate['fuel_l']);
        }
        $this->rows = $rows;
        $this->picked = $rows[$pick] ?? null;
    }

    /** Candidates that no other one beats in dark time and in starts both: the ones worth a thought. */
    public function isWorthAThought(SeasonRow $row): bool
    {
        foreach ($this->rows as $other) {
            if ($other->darkMs() <= $row->darkMs()
                && $other->starts() <= $row->starts()
                && ($other->darkMs() < $row->darkMs() || $other->starts() < $row->starts())) {
                return false;
            }
        }

        return true;
    }

    /** @return list<array{at: string, outcomes: list<string>}> the disturbances that were not taken alike */
    public function differing(): array
    {
        return array_values(array_map(static fn(array $one): array => [
            'at' => sprintf('day %d, %s', intdiv($one['at_ms'], 86_400_000) + 1, gmdate('H:i:s', intdiv($one['at_ms'] % 86_400_000, 1000))),
            'outcomes' => array_values(array_map(
                static fn(array $o): string => sprintf('%d / %s', $o['engine_starts'], SheetWords::seconds($o['bus_dead_ms'])),
                $one['outcomes'],
            )),
        ], array_slice($this->season->result['differing'] ?? [], 0, 40)));
    }

    public function differingCount(): int
    {
        return (int) ($this->season->result['differing_count'] ?? 0);
    }

    /** Dark time against starts, a point a candidate; nearer to the corner is better. */
    public function plotSvg(): string
    {
        $dark = array_map(static fn(SeasonRow $row): float => $row->darkMs() / 1000, $this->rows);
        $starts = array_map(static fn(SeasonRow $row): float => (float) $row->starts(), $this->rows);
        [$leastX, $mostX] = self::span($starts);
        [$leastY, $mostY] = self::span($dark);
        $foot = self::HEIGHT - self::FOOT;
        $x = static fn(float $v): float => self::LEFT + 20 + ($v - $leastX) / max(1e-9, $mostX - $leastX) * (self::WIDTH - self::LEFT - 40);
        $y = static fn(float $v): float => $foot - 16 - ($v - $leastY) / max(1e-9, $mostY - $leastY) * ($foot - 40);
        $svg = sprintf(
            '<path class="axis" d="M%1$d 10V%2$dH%3$d"/><text x="%3$d" y="%4$d" text-anchor="end">engine starts &#8594;</text><text '
                . 'x="%1$d" y="%5$d">&#8593; dark</text>',
            self::LEFT,
            $foot,
            self::WIDTH,
            self::HEIGHT - 8,
            self::HEIGHT - 8,
        );
        foreach ([$leastY, ($leastY + $mostY) / 2, $mostY] as $v) {
            $svg .= sprintf(
                '<path class="hair" d="M%d %.1fH%d"/><text class="fig" x="%d" y="%.1f" text-anchor="end">%s</text>',
                self::LEFT,
                $y($v),
                self::WIDTH,
                self::LEFT - 8,
                $y($v) + 4,
                self::long((int) round($v * 1000)),
            );
        }
        foreach (array_unique([(int) floor($leastX), (int) round(($leastX + $mostX) / 2), (int) ceil($mostX)]) as $v) {
            $svg .= sprintf(
                '<path class="tick" d="M%.1f %dv6"/><text class="fig" x="%.1f" y="%d" text-anchor="middle">%d</text>',
                $x((float) $v),
                $foot,
                $x((float) $v),
                $foot + 22,
                $v,
            );
        }
        $names = $this->namesAt(array_map(
            static fn(float $one, float $other): string => round($x($one) / 12) . ' ' . round($y($other) / 12),
            $starts,
            $dark,
        ));
        foreach ($this->rows as $i => $row) {
            $class = $this->picked?->place === $row->place ? 'is-picked' : ($this->isWorthAThought($row) ? 'is-front' : '');
            $svg .= sprintf(
                '<a class="candidate %s" href="%s" aria-label="%s"><circle class="hit" cx="%.1f" cy="%.1f" r="22"/><circle '
                    . 'class="dot" cx="%4$.1f" cy="%5$.1f" r="8"/><text class="fig" x="%.1f" y="%.1f">%s</text></a>',
                $class,
                e(route('season', [$this->season, 'pick' => $row->place])),
                e('Candidate ' . ($row->place + 1) . ", $row->name: {$row->starts()} starts, dark " . self::long($row->darkMs())),
                $x($starts[$i]),
                $y($dark[$i]),
                $x($starts[$i]) + ($x($starts[$i]) > self::WIDTH - 90 ? -14 - 9 * strlen($names[$i]) : 14),
                $y($dark[$i]) + 5,
                $names[$i],
            );
        }

        return sprintf(
            '<svg class="season-plot" viewBox="0 0 %d %d" role="group" aria-label="Dark time against engine starts">%s</svg>',
            self::WIDTH,
            self::HEIGHT,
            $svg,
        );
    }

    /**
     * The numbers to write beside each point: where several fall together the first of them names them all.
     *
     * @param list<string> $places
     *
     * @return list<string>
     */
    private function namesAt(array $places): array
    {
        $names = [];
        foreach ($places as $i => $place) {
            $together = array_keys($places, $place, true);
            $names[] = $together[0] === $i ? implode(', ', array_map(static fn(int $one): int => $one + 1, $together)) : '';
        }

        return $names;
    }

    public static function long(int $ms): string
    {
        $s = intdiv($ms + 500, 1000);

        return $s < 3600 ? SheetWords::seconds($ms) : sprintf("%d\u{202F}h %02d\u{202F}min", intdiv($s, 3600), intdiv($s % 3600, 60));
    }

    /**
     * @param list<float> $values
     *
     * @return array{float, float}
     */
    private static function span(array $values): array
    {
        $least = min([INF, ...$values]);
        $most = max([-INF, ...$values]);

        return $most > $least ? [$least, $most] : [max(0.0, $least - 1), $most + 1];
    }
}
