<?php

declare(strict_types=1);

namespace App\Stage;

use App\Models\FleetFeed;
use App\Models\TransferSwitch;
use Escapement\Core\Device\Feed\FeedStanding;
use Escapement\Core\Device\Feed\FeedState;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/** What a device that reports by itself said last, and whether that is still what is. */
final class HeardDevice
{
    private const GAPS_OVER_DAYS = 7;
    private const WORDS = [
        'position' => ['normal' => 'on utility', 'emergency' => 'on generator', 'open' => 'between both', 'moving' => 'changing over'],
        'engine' => [
            'stopped' => 'engine stopped', 'cranking' => 'engine cranking', 'running' => 'engine runs', 'failed' => 'engine failed',
        ],
    ];
    private const FIGURES = ['hz' => 'Hz', 'kw' => 'kW', 'battery_v' => 'V battery', 'fuel_pct' => '% fuel', 'run_h' => 'h run'];

    public readonly FeedStanding $standing;
    /** @var ?list<string> read once */
    private ?array $gaps = null;

    public function __construct(public readonly FleetFeed $feed, private readonly Carbon $now)
    {
        $this->standing = FeedStanding::of(
            $feed->interval_s,
            $feed->heard_at?->getTimestampMs(),
            $feed->said_at?->getTimestampMs(),
            $feed->came_alone,
            $now->getTimestampMs(),
        );
    }

    /** @return list<self> of one switch, or of a whole company */
    public static function all(?TransferSwitch $switch = null): array
    {
        $query = FleetFeed::query()->with('switch.site');
        $query->whereNull('ended_at');
        if ($switch !== null) {
            $query->where('switch_id', $switch->id);
        }
        $query->orderBy('id');
        $now = Carbon::now();

        return array_values($query->get()->map(static fn(FleetFeed $feed): self => new self($feed, $now))->all());
    }

    public function isLive(): bool
    {
        return $this->standing->state === FeedState::Live;
    }

    public function glyph(): string
    {
        return match (true) {
            ! $this->isLive() => 'warn',
            isset($this->feed->state['fault']) => 'stop',
            default => 'note',
        };
    }

    /** Live, or since when it is not. */
    public function title(): string
    {
        return match ($this->standing->state) {
            FeedState::Never => 'not heard yet',
            FeedState::Live => 'heard ' . $this->ago() . ' ago',
            FeedState::Silent => 'silent for ' . $this->ago() . ': this was, and need not be so now',
        } . ($this->feed->is_simulated ? ', simulated' : '');
    }

    /** What it said, in words. */
    public function words(): string
    {
        $state = $this->feed->state ?? [];
        $parts = [];
        foreach (self::WORDS as $key => $words) {
            $parts[] = is_string($state[$key] ?? null) ? $words[$state[$key]] ?? null : null;
        }
        foreach (['v_normal' => 'V utility', 'v_emergency' => 'V generator', 'a' => 'A'] as $key => $unit) {
            $parts[] = is_array($state[$key] ?? null) ? implode('/', array_map(self::figure(...), $state[$key])) . "\u{202F}$unit" : null;
        }
        foreach (self::FIGURES as $key => $unit) {
            $parts[] = isset($state[$key]) ? self::figure($state[$key]) . "\u{202F}$unit" : null;
        }
        $parts[] = is_string($state['fault'] ?? null) ? "fault: {$state['fault']}" : null;

        return ucfirst(implode(', ', array_filter($parts)));
    }

    /** Where its clock is off; null where it is not, or not known. */
    public function clock(): ?string
    {
        $off = $this->standing->clockOffMs;

        return $off === null ? null : 'Its clock is ' . self::span(abs($off)) . ($off > 0 ? ' ahead.' : ' behind.');
    }

    /** @return list<string> times of the last days in which it said nothing, the newest first */
    public function gaps(): array
    {
        return $this->gaps ??= $this->readGaps();
    }

    /** @return list<string> */
    private function readGaps(): array
    {
        $at = DB::table('fleet_lines')->where('fleet_feed_id', $this->feed->id)
            ->where('at', '>=', $this->now->copy()->subDays(self::GAPS_OVER_DAYS))->orderBy('at')->pluck('at');
        $zone = $this->feed->switch->site->timezone;
        $gaps = FeedStanding::gaps(array_values(array_map(
            static fn(mixed $one): int => Carbon::parse(is_string($one) ? $one : 'now', 'UTC')->getTimestampMs(),
            $at->all(),
        )), $this->feed->interval_s);
        $when = static fn(int $ms): string => Carbon::createFromTimestampMs($ms, $zone)->format('j M H:i');

        return array_map(
            static fn(array $gap): string => "{$when($gap[0])} to {$when($gap[1])}, " . self::span($gap[1] - $gap[0]),
            array_reverse($gaps),
        );
    }

    public function gapWords(): string
    {
        $count = count($this->gaps());

        return $count === 1 ? 'once' : "$count times";
    }

    private function ago(): string
    {
        return self::span($this->standing->silentMs ?? 0);
    }

    private static function span(int $ms): string
    {
        $seconds = intdiv($ms, 1000);

        return match (true) {
            $seconds < 120 => "$seconds s",
            $seconds < 7200 => intdiv($seconds, 60) . ' min',
            $seconds < 172_800 => intdiv($seconds, 3600) . ' h',
            default => intdiv($seconds, 86_400) . ' days',
        };
    }

    private static function figure(mixed $value): string
    {
        return is_numeric($value) ? rtrim(rtrim(number_format((float) $value, 2, '.', ''), '0'), '.') : '?';
    }
}
