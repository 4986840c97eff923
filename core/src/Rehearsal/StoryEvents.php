<?php

declare(strict_types=1);

namespace Escapement\Core\Rehearsal;

use Escapement\Core\Plant\Load;
use Escapement\Core\Plant\Plant;
use Escapement\Core\Plant\PlantKind;

/** What happens in a story, as events on the wire: each an outage, a supply that misbehaves, an engine, or a test. */
final readonly class StoryEvents
{
    private int $off;

    /**
     * @param array<string, int> $n     the numbers of the story by name
     * @param list<Load>         $loads
     */
    public function __construct(private array $n, private Plant $plant, private array $loads)
    {
        $this->off = $n['off_ms'];
    }

    /** @return list<array<string, mixed>> in the order of time */
    public function of(Story $story): array
    {
        $events = $this->supply($story) ?? $this->engine($story) ?? $this->switch($story);
        if ($this->plant->kind === PlantKind::Mobile && in_array($story, Story::BY_HAND, true)) {
            $events[] = self::do($this->off + ($this->n['hand_ms'] ?? 0), 'start_generator');
            $events[] = self::do($this->off + $this->n['lasts_ms'], 'stop_generator');
        }
        usort($events, static fn(array $a, array $b): int => $a['at_ms'] <=> $b['at_ms']);

        return $events;
    }

    /** @return null|list<array<string, mixed>> the stories in which the utility alone does something */
    private function supply(Story $story): ?array
    {
        $good = $this->plant->normal->nominalV;
        $hz = $this->plant->normal->nominalHz;
        $n = $this->n;
        $off = $this->off;
        $backMs = $off + ($n['lasts_ms'] ?? 0);

        return match ($story) {
            Story::Outage, Story::Blink, Story::ExerciseCollides => $this->outage(),
            Story::FalseReturn => [
                self::set($off, ['v' => 0]),
                self::set($off + $n['first_ms'], ['v' => $good]),
                self::set($off + $n['first_ms'] + $n['back_ms'], ['v' => 0]),
                self::set($off + $n['first_ms'] + $n['back_ms'] + $n['second_ms'], ['v' => $good]),
            ],
            Story::Sag, Story::BrownOut => [self::set($off, ['v' => $good * $n['percent'] / 100]), self::set($backMs, ['v' => $good])],
            Story::SlowReturn => [self::set($off, ['v' => 0]), self::ramp($backMs, $n['ramp_ms'], ['v' => $good])],
            Story::LostPhase => [
                self::set($off, ['v' => [...array_fill(0, max(0, $this->plant->normal->phases - 1), $good), 0]]),
                self::set($backMs, ['v' => $good]),
            ],
            Story::ReversedPhases => [
                self::set($off, ['v' => $good, 'rotation' => 'acb']),
                self::set($backMs, ['v' => $good, 'rotation' => 'abc']),
            ],
            Story::DriftingFrequency => [
                self::ramp($off, $n['ramp_ms'], ['hz' => $hz * $n['percent'] / 100]),
                self::set($backMs + $n['ramp_ms'], ['hz' => $hz]),
            ],
            default => null,
        };
    }

    /** @return null|list<array<string, mixed>> an outage in which the engine has its troubles */
    private function engine(Story $story): ?array
    {
        $n = $this->n;

        return match ($story) {
            Story::FailedCrank => [self::do(0, 'crank_failures', ['count' => $n['failures']]), ...$this->outage()],
            Story::TripUnderLoad => [
                ...$this->outage(),
                self::do($this->off + $n['trip_ms'], 'engine_trip', ['reason' => 'low oil pressure']),
            ],
            Story::LockOut => [
                self::do(0, 'crank_failures', ['count' => $this->plant->engine->crankAttempts ?? 1]),
                ...$this->outage(),
                self::do($this->off + $n['reset_ms'], 'engine_reset'),
            ],
            Story::GeneratorRunsByHand => [
                self::do($this->off, 'start_generator'),
                self::do($this->off + $n['for_ms'], 'stop_generator'),
            ],
            default => null,
        };
    }

    /** @return list<array<string, mixed>> tests, loads and the selector */
    private function switch(Story $story): array
    {
        $n = $this->n;
        $off = $this->off;
        $load = $this->loads[0] ?? null;

        return match ($story) {
            Story::LoadTest => [self::do($off, 'test_start', ['with_load' => true, 'for_ms' => $n['for_ms']])],
            Story::TestOvertaken => [
                self::do($off, 'test_start', ['with_load' => true, 'for_ms' => 600_000]),
                self::set($off + $n['lost_ms'], ['v' => 0]),
                self::set($off + $n['lost_ms'] + $n['lasts_ms'], ['v' => $this->plant->normal->nominalV]),
            ],
            Story::Overload => [
                ...$this->outage(),
                ...($load === null ? []
                    : [self::do($off + $n['more_ms'], 'set_load', ['load' => $load->id, 'kw' => $load->kw + $n['kw']])]),
            ],
            Story::SelectorOff => [
                self::do(0, 'selector', ['to' => 'off']),
                ...$this->outage(),
                self::do($off + $n['found_ms'], 'selector', ['to' => 'auto']),
            ],
            default => throw new \LogicException("No events are written for the story $story->value."),
        };
    }

    /** @return list<array<string, mixed>> */
    private function outage(): array
    {
        return [
            self::set($this->off, ['v' => 0]),
            self::set($this->off + ($this->n['lasts_ms'] ?? 0), ['v' => $this->plant->normal->nominalV]),
        ];
    }

    /**
     * @param array<string, mixed> $to
     *
     * @return array<string, mixed>
     */
    private static function set(int $atMs, array $to): array
    {
        return self::do($atMs, 'set_source', ['source' => 'normal', ...$to]);
    }

    /**
     * @param array<string, mixed> $to
     *
     * @return array<string, mixed>
     */
    private static function ramp(int $atMs, int $overMs, array $to): array
    {
        return self::do($atMs, 'ramp_source', ['source' => 'normal', 'over_ms' => max(1, $overMs), ...$to]);
    }

    /**
     * @param array<string, mixed> $more
     *
     * @return array<string, mixed>
     */
    private static function do(int $atMs, string $verb, array $more = []): array
    {
        return ['at_ms' => $atMs, 'do' => $verb, ...$more];
    }
}
