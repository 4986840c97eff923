<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

/** Which column of a recorder's table is what, from 0; what it does not have is null. */
final readonly class TableColumns
{
    /**
     * @param string     $timeForm date for a day and an hour, s or min for time since the beginning
     * @param list<?int> $volts    per phase, line to neutral
     * @param list<?int> $amps     per phase
     */
    public function __construct(
        public int $time,
        public string $timeForm,
        public array $volts,
        public array $amps,
        public ?int $hertz,
        public ?int $kw = null,
        public ?int $oil = null,
        public ?int $coolant = null,
        public ?int $exhaust = null,
        public ?int $battery = null,
    ) {}

    /**
     * A first guess from the headings, to be confirmed.
     *
     * @param list<string> $headings
     */
    public static function guess(array $headings, int $phases): self
    {
        $found = ['v' => [], 'a' => []];
        $single = [];
        $time = 0;
        $form = 'date';
        foreach ($headings as $i => $heading) {
            $h = strtolower(trim($heading));
            $key = self::meaning($h);
            if ($key === 'time' && ! isset($single['time'])) {
                $single['time'] = $time = $i;
                $form = self::form($h);
            } elseif ($key === 'v' || $key === 'a') {
                $found[$key][] = $i;
            } elseif ($key !== null && $key !== 'time') {
                $single[$key] ??= $i;
            }
        }

        return new self(
            $time,
            $form,
            self::legs($found['v'], $phases),
            self::legs($found['a'], $phases),
            $single['hz'] ?? null,
            $single['kw'] ?? null,
            $single['oil'] ?? null,
            $single['coolant'] ?? null,
            $single['exhaust'] ?? null,
            $single['battery'] ?? null,
        );
    }

    /** @return 'date'|'min'|'s' how the times are written, by their heading */
    private static function form(string $heading): string
    {
        return match (true) {
            preg_match('/_s$|\bs\b|sec/', $heading) === 1 => 's',
            preg_match('/min/', $heading) === 1 => 'min',
            default => 'date',
        };
    }

    /**
     * @param list<int> $places
     *
     * @return list<?int> one a phase
     */
    private static function legs(array $places, int $phases): array
    {
        $legs = [];
        for ($leg = 0; $leg < $phases; $leg++) {
            $legs[] = $places[$leg] ?? null;
        }

        return $legs;
    }

    /** @return null|'a'|'battery'|'coolant'|'exhaust'|'hz'|'kw'|'oil'|'time'|'v' */
    private static function meaning(string $heading): ?string
    {
        return match (true) {
            preg_match('/^(t|time|date|taken|timestamp|clock)\b|^t_|date|time|taken/', $heading) === 1 => 'time',
            preg_match('/batt/', $heading) === 1 => 'battery',
            preg_match('/oil/', $heading) === 1 => 'oil',
            preg_match('/cool|water/', $heading) === 1 => 'coolant',
            preg_match('/exh/', $heading) === 1 => 'exhaust',
            preg_match('/hz|freq/', $heading) === 1 => 'hz',
            preg_match('/kw|power/', $heading) === 1 => 'kw',
            preg_match('/\bv\b|volt|^[uv]_?(l?[1-3]|[a-c]n?)\b|_v$/', $heading) === 1 => 'v',
            preg_match('/\ba\b|amp|curr|^[ia]_?(l?[1-3]|[a-c])\b|_a$/', $heading) === 1 => 'a',
            default => null,
        };
    }
}
