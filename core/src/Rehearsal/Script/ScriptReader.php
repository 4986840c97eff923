<?php

declare(strict_types=1);

namespace Escapement\Core\Rehearsal\Script;

use Escapement\Core\Plant\Plant;
use Escapement\Core\Plant\Side;
use Escapement\Core\Simulation\ScenarioEvent;
use Escapement\Core\Simulation\Verb;

/** Finds the pieces in a list of events: what leaves nominal until it is nominal again, what is begun until it is ended. */
final class ScriptReader
{
    /** @var array<string, int> where the piece that is not ended yet stands in the list, by quantity */
    private array $open = [];
    /** @var array<int, Block> by place, from 0 */
    private array $blocks = [];

    public function __construct(private readonly Plant $plant) {}

    /**
     * @param list<ScenarioEvent> $events in order of time
     *
     * @return list<Block>
     */
    public function blocks(array $events): array
    {
        foreach ($events as $event) {
            match ($event->do) {
                Verb::SetSource, Verb::RampSource => $this->source($event),
                Verb::StartGenerator => $this->begin('by_hand', new Block(BlockKind::ByHand, $event->atMs), $event),
                Verb::StopGenerator => $this->end('by_hand', $event),
                Verb::Selector => $event->to === 'off' ? $this->begin(
                    'selector',
                    new Block(BlockKind::SelectorOff, $event->atMs),
                    $event,
                ) : $this->end('selector', $event),
                Verb::TestStop => $this->keep($event),
                Verb::TestStart, Verb::CrankFailures, Verb::EngineTrip, Verb::EngineReset, Verb::SetLoad => $this->blocks[] = new Block(
                    BlockKind::ofPoint($event->do),
                    $event->atMs,
                    $event->forMs,
                    count: $event->count,
                    reason: $event->reason,
                    withLoad: $event->withLoad,
                    load: $event->load,
                    kw: $event->kw,
                ),
            };
        }
        $blocks = array_values($this->blocks);
        usort($blocks, static fn(Block $a, Block $b): int => $a->atMs <=> $b->atMs);

        return $blocks;
    }

    private function source(ScenarioEvent $event): void
    {
        $side = $event->source ?? Side::Normal;
        $source = $this->plant->source($side);
        if ($event->v !== null) {
            $isNominal = array_filter($event->v, static fn(int|float $v): bool => (float) $v !== (float) $source->nominalV) === [];
            $this->quantity(
                "v $side->value",
                $isNominal,
                new Block(BlockKind::Volts, $event->atMs, null, $side, v: $event->v, fallMs: $event->overMs),
                $event,
            );
        }
        if ($event->hz !== null) {
            $this->quantity(
                "hz $side->value",
                (float) $event->hz === (float) $source->nominalHz,
                new Block(BlockKind::Hertz, $event->atMs, null, $side, hz: $event->hz, fallMs: $event->overMs),
                $event,
            );
        }
        if ($event->rotation !== null) {
            $this->quantity(
                "rotation $side->value",
                $event->rotation === $source->rotation,
                new Block(BlockKind::Reversed, $event->atMs, null, $side),
                $event,
            );
        }
    }

    private function quantity(string $name, bool $isNominal, Block $block, ScenarioEvent $event): void
    {
        if (isset($this->open[$name])) {
            $this->close($name, $event->atMs, $isNominal ? $event->overMs : 0);
        } elseif ($isNominal) { // nominal already, but perhaps still on a ramp to it
            $this->keep(new ScenarioEvent(
                $event->atMs,
                $event->do,
                $block->side,
                $block->v,
                $block->hz,
                $block->kind === BlockKind::Reversed ? $event->rotation : null,
                $event->overMs,
            ));
        }
        if (! $isNominal) {
            $this->begin($name, $block, $event);
        }
    }

    private function begin(string $name, Block $block, ScenarioEvent $event): void
    {
        if (isset($this->open[$name])) {
            $this->keep($event);
        } else {
            $this->open[$name] = count($this->blocks);
            $this->blocks[] = $block;
        }
    }

    private function end(string $name, ScenarioEvent $event): void
    {
        if (isset($this->open[$name])) {
            $this->close($name, $event->atMs, 0);
        } else {
            $this->keep($event);
        }
    }

    private function close(string $name, int $atMs, int $backMs): void
    {
        $place = $this->open[$name];
        unset($this->open[$name]);
        $b = $this->blocks[$place];
        $this->blocks[$place] = new Block($b->kind, $b->atMs, $atMs - $b->atMs, $b->side, $b->v, $b->hz, $b->fallMs, $backMs);
    }

    private function keep(ScenarioEvent $event): void
    {
        $this->blocks[] = new Block(BlockKind::Other, $event->atMs, other: $event);
    }
}
