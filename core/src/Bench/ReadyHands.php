<?php

declare(strict_types=1);

namespace Escapement\Core\Bench;

use Escapement\Core\Plant\PlantKind;

/** What people do to a switch, rightly and wrongly, to be looked at before anybody does it. Rule: docs/rules.md#bench-play. */
final readonly class ReadyHands
{
    private const AT_MS = 10_000;
    private const BACK_MS = 180_000;
    private const UNTIL_MS = 900_000;

    /** @param int $phases the meter has a transformer on each */
    public function __construct(private PlantKind $kind, private int $phases) {}

    /**
     * As `bench_play` reads it.
     *
     * @return array<string, array{name: string, teaches: string, inputs: list<array<string, mixed>>, until_ms: int}>
     */
    public function all(): array
    {
        $plug = $this->kind === PlantKind::Mobile;
        $off = ['at_ms' => self::AT_MS, 'do' => 'utility_disconnect', 'open' => true];
        $on = ['at_ms' => self::BACK_MS, 'do' => 'utility_disconnect', 'open' => false];
        $main = ['at_ms' => self::AT_MS, 'do' => 'panel_main', 'closed' => false];
        $start = $plug ? [['at_ms' => self::AT_MS, 'do' => 'hand_start']] : [];
        $stop = $plug ? [['at_ms' => self::BACK_MS, 'do' => 'hand_stop']] : [];
        $stories = [
            'outage' => [$plug ? 'Plug out, generator on' : 'Outage at the disconnect', 'What a right test looks like, lamp by lamp.', [
                $off, ...$start, $on, ...$stop,
            ]],
            'panel-main' => ['Panel main opened instead', 'The house is dark, and the switch has seen nothing.', [
                $main, ['at_ms' => self::BACK_MS, 'closed' => true] + $main,
            ]],
            'reversed' => ['A current transformer the wrong way', 'One leg counts backwards: power and balance are both wrong.', [
                ['at_ms' => 0, 'do' => 'ct', 'phase' => min(2, $this->phases), 'reversed' => true], $off, ...$start, $on, ...$stop,
            ]],
        ];

        return array_map(static fn(array $story): array => [
            'name' => $story[0], 'teaches' => $story[1], 'inputs' => $story[2], 'until_ms' => self::UNTIL_MS,
        ], $stories + ($this->kind->hasEngine() ? $this->ofEngine($off, $start, $on) : []) + ($plug ? [] : $this->ofHandle($off, $on)));
    }

    /**
     * @param array<string, mixed>       $off
     * @param list<array<string, mixed>> $start
     * @param array<string, mixed>       $on
     *
     * @return array<string, array{string, string, list<array<string, mixed>>}>
     */
    private function ofEngine(array $off, array $start, array $on): array
    {
        return [
            'breaker' => ['Breaker of the set left open', 'The engine runs, and nobody gets anything until somebody closes it.', [
                ['at_ms' => 0, 'do' => 'generator_breaker', 'closed' => false], $off, ...$start,
                ['at_ms' => 90_000, 'do' => 'generator_breaker', 'closed' => true], $on,
            ]],
            'fuel' => ['Fuel shut off under load', 'The engine dies seconds later; cranking helps only when the valve is open again.', [
                $off, ...$start, ['at_ms' => 90_000, 'do' => 'fuel', 'blocked' => true], $on,
                ['at_ms' => 240_000, 'do' => 'fuel', 'blocked' => false], ['at_ms' => 241_000, 'do' => 'engine_reset'],
            ]],
        ];
    }

    /**
     * @param array<string, mixed> $off
     * @param array<string, mixed> $on
     *
     * @return array<string, array{string, string, list<array<string, mixed>>}>
     */
    private function ofHandle(array $off, array $on): array
    {
        $selector = ['at_ms' => 0, 'do' => 'selector', 'to' => 'off'];
        $handle = ['at_ms' => self::AT_MS + 5000, 'do' => 'handle', 'to' => 'emergency'];

        return [
            'off' => ['Selector left off', 'An outage comes, and nothing happens.', [$selector, $off, $on]],
            'handle-auto' => ['Handle pulled at auto', 'It is refused: the controller could move at the same moment.', [$handle]],
            'handle-live' => ['Handle pulled with the utility there', 'It moves: that is the mistake, under voltage.', [
                $selector, $handle,
            ]],
        ];
    }
}
