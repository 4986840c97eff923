<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Play;

use Escapement\Core\RelayLogic\RelayCircuit;
use Escapement\Core\RelayLogic\RelayDevice;
use Escapement\Core\RelayLogic\RelayType;

/**
 * What a panel is played against before anybody stands in front of it: the disturbances that its circuit can meet.
 * Rule: docs/rules.md#relay-play.
 */
final readonly class ReadyStories
{
    private const AT_MS = 5000;
    private const BACK_MS = 65_000;
    private const UNTIL_MS = 240_000;
    /** Below what every phase relay allows, and above what it takes for a lost phase. */
    private const LOW = 0.78;

    /**
     * @param list<string> $engines  supplies with a generating set
     * @param float        $nominalV line to neutral
     */
    public function __construct(private RelayCircuit $circuit, private array $engines, private float $nominalV = 230.0) {}

    /** @return array<string, array{name: string, script: list<array<string, mixed>>, until_ms: int}> `script` as `relay_play` reads it */
    public function all(): array
    {
        $first = $this->circuit->preferred;
        $off = ['at_ms' => self::AT_MS, 'do' => 'set_supply', 'supply' => $first, 'v' => 0];
        $back = static fn(int $atMs): array => ['at_ms' => $atMs, 'do' => 'restore', 'supply' => $first];
        $stories = ['outage' => ["$first fails for a minute", [$off, $back(self::BACK_MS)]]];
        $stories['blink'] = ["$first fails for half a second", [$off, $back(self::AT_MS + 500)]];
        $stories['bait'] = ["$first returns for 3 s and fails again", [
            $off, $back(40_000), ['at_ms' => 43_000] + $off, $back(90_000),
        ]];
        foreach ($this->circuit->isThreePhase ? [1, 2, 3] : [] as $phase) {
            $lost = ['at_ms' => self::AT_MS, 'do' => 'lose_phase', 'supply' => $first, 'phase' => $phase];
            $stories["phase-$phase"] = ["$first loses L$phase", [$lost, $back(self::BACK_MS)]];
        }
        if ($this->circuit->isThreePhase) {
            $reverse = ['at_ms' => self::AT_MS, 'do' => 'reverse', 'supply' => $first];
            $stories['reversed'] = ["Phase order of $first reversed", [$reverse, ['at_ms' => self::BACK_MS] + $reverse]];
            $lowV = (int) round(self::LOW * $this->nominalV);
            $low = ['at_ms' => self::AT_MS, 'do' => 'set_supply', 'supply' => $first, 'v' => $lowV];
            $stories['low'] = ["$first at $lowV V", [$low, $back(self::BACK_MS)]];
        }

        return array_map(
            static fn(array $story): array => ['name' => $story[0], 'script' => $story[1], 'until_ms' => self::UNTIL_MS],
            $stories + $this->engineStories($off, $back(self::BACK_MS)) + $this->handStories() + $this->faultStories($off),
        );
    }

    /**
     * @param array<string, mixed> $off
     * @param array<string, mixed> $back
     *
     * @return array<string, array{string, list<array<string, mixed>>}>
     */
    private function engineStories(array $off, array $back): array
    {
        $stories = [];
        foreach ($this->engines as $supply) {
            $failing = ['at_ms' => 1000, 'do' => 'crank_failures', 'supply' => $supply, 'count' => 10];
            $stories["no-start-$supply"] = ["$supply does not start", [$failing, $off, $back]];
            $trip = ['at_ms' => 40_000, 'do' => 'engine_trip', 'supply' => $supply];
            $stories["trip-$supply"] = ["$supply trips while it carries the load", [$off, $trip, $back]];
        }

        return $stories;
    }

    /** @return array<string, array{string, list<array<string, mixed>>}> */
    private function handStories(): array
    {
        $stories = [];
        $selector = $this->circuit->selector();
        if ($selector !== null && in_array('II', $selector->positions, true)) {
            $script = [['at_ms' => self::AT_MS, 'do' => 'selector', 'to' => 'II']];
            if (in_array('auto', $selector->positions, true)) {
                $script[] = ['at_ms' => self::BACK_MS, 'do' => 'selector', 'to' => 'auto'];
            }
            $stories['manual'] = ['Selector to II and back to auto', $script];
        }
        if ($this->circuit->ofType(RelayType::Handle) !== [] && $this->circuit->changeover() !== null) {
            $stories['handle'] = ['Handle in, moved to 0, then an outage', [
                ['at_ms' => self::AT_MS, 'do' => 'handle', 'in' => true],
                ['at_ms' => 8000, 'do' => 'hand', 'to' => '0'],
                ['at_ms' => 12_000, 'do' => 'set_supply', 'supply' => $this->circuit->preferred, 'v' => 0],
                ['at_ms' => 60_000, 'do' => 'handle', 'in' => false],
            ]];
        }

        return $stories;
    }

    /**
     * @param array<string, mixed> $off
     *
     * @return array<string, array{string, list<array<string, mixed>>}>
     */
    private function faultStories(array $off): array
    {
        $stories = [];
        $first = array_values(array_filter(
            $this->circuit->powerContactors(),
            fn(RelayDevice $one): bool => $one->supply === $this->circuit->preferred,
        ))[0] ?? null;
        if ($first !== null) {
            $weld = ['at_ms' => 1000, 'do' => 'fault', 'kind' => 'weld', 'at' => $first->id];
            $stories['weld'] = ["$first->id welds, then an outage", [$weld, $off]];
        }

        return $stories;
    }
}
