<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Play;

/** A source of the changeover before anything happens to it. */
final readonly class PlaySupply
{
    /**
     * @param float        $nominalV line to neutral
     * @param non-empty-list<float> $v        line to neutral, per phase; of one with an engine nothing
     * @param 'abc'|'acb'  $rotation
     */
    public function __construct(
        public string $id,
        public float $nominalV,
        public array $v,
        public string $rotation,
        public ?EngineTimes $engine,
    ) {}
}
