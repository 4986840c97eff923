<?php

declare(strict_types=1);

namespace Escapement\Core\Rehearsal\Script;

use Escapement\Core\Plant\Plant;
use Escapement\Core\Simulation\ScenarioEvent;
use Escapement\Core\Simulation\Verb;

/**
 * A scenario as pieces that one can take hold of, and as the events that the engine plays: each made from the other.
 *
 * On one quantity of one source a later piece takes the place of an earlier one that has not ended yet.
 */
final readonly class Script
{
    /** @param list<Block> $blocks in order of time */
    public function __construct(public array $blocks) {}

    /** @param list<ScenarioEvent> $events in order of time */
    public static function read(array $events, Plant $plant): self
    {
        return new self((new ScriptReader($plant))->blocks($events));
    }

    /** @return list<ScenarioEvent> in order of time */
    public function events(Plant $plant): array
    {
        $events = [];
        foreach ($this->blocks as $i => $block) {
            $endMs = $block->endMs();
            $mayEnd = $endMs !== null && ! $this->isReplaced($i, $endMs);
            array_push($events, ...match ($block->kind) {
                BlockKind::Volts => $this->span(
                    $block,
                    $mayEnd,
                    ['v' => $block->v],
                    ['v' => array_fill(0, $plant->source($block->side)->phases, $plant->source($block->side)->nominalV)],
                ),
                BlockKind::Hertz => $this->span($block, $mayEnd, ['hz' => $block->hz], ['hz' => $plant->source($block->side)->nominalHz]),
                BlockKind::Reversed => $this->span(
                    $block,
                    $mayEnd,
                    ['rotation' => $plant->source($block->side)->rotation === 'abc' ? 'acb' : 'abc'],
                    ['rotation' => $plant->source($block->side)->rotation],
                ),
                BlockKind::CrankFailures => [new ScenarioEvent($block->atMs, Verb::CrankFailures, count: $block->count)],
                BlockKind::EngineTrip => [new ScenarioEvent($block->atMs, Verb::EngineTrip, reason: $block->reason)],
                BlockKind::EngineReset => [new ScenarioEvent($block->atMs, Verb::EngineReset)],
                BlockKind::ByHand => [
                    new ScenarioEvent($block->atMs, Verb::StartGenerator),
                    ...($endMs === null ? [] : [new ScenarioEvent($endMs, Verb::StopGenerator)]),
                ],
                BlockKind::Test => [new ScenarioEvent($block->atMs, Verb::TestStart, withLoad: $block->withLoad, forMs: $block->lastsMs)],
                BlockKind::SelectorOff => [
                    new ScenarioEvent($block->atMs, Verb::Selector, to: 'off'),
                    ...($endMs === null ? [] : [new ScenarioEvent($endMs, Verb::Selector, to: 'auto')]),
                ],
                BlockKind::Load => [new ScenarioEvent($block->atMs, Verb::SetLoad, load: $block->load, kw: $block->kw)],
                BlockKind::Other => $block->other === null ? [] : [$block->other],
            });
        }
        // stable: what begins first comes first
        usort($events, static fn(ScenarioEvent $a, ScenarioEvent $b): int => $a->atMs <=> $b->atMs);

        return $events;
    }

    /** When the last of it is over. */
    public function endMs(): int
    {
        return max([0, ...array_map(
            static fn(Block $block): int => ($block->endMs() ?? $block->atMs) + max($block->fallMs, $block->backMs),
            $this->blocks,
        )]);
    }

    /** Whether another piece on the same quantity begins within this one or just as it ends: then this one has no end of its own. */
    private function isReplaced(int $place, int $endMs): bool
    {
        $block = $this->blocks[$place];
        for ($i = $place + 1; isset($this->blocks[$i]) && $this->blocks[$i]->atMs <= $endMs; $i++) {
            if ($this->blocks[$i]->kind === $block->kind && $this->blocks[$i]->side === $block->side) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param array{v?: null|list<int|float>, hz?: int|float|null, rotation?: string} $begin
     * @param array{v?: list<int|float>, hz?: int|float, rotation?: string}           $end
     *
     * @return list<ScenarioEvent>
     */
    private function span(Block $block, bool $mayEnd, array $begin, array $end): array
    {
        return [
            $this->change($block, $block->atMs, $block->fallMs, $begin),
            ...($mayEnd ? [$this->change($block, (int) $block->endMs(), $block->backMs, $end)] : []),
        ];
    }

    /** @param array{v?: null|list<int|float>, hz?: int|float|null, rotation?: string} $to */
    private function change(Block $block, int $atMs, int $overMs, array $to): ScenarioEvent
    {
        $verb = $overMs > 0 ? Verb::RampSource : Verb::SetSource;

        return new ScenarioEvent($atMs, $verb, $block->side, $to['v'] ?? null, $to['hz'] ?? null, $to['rotation'] ?? null, $overMs);
    }
}
