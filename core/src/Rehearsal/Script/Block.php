<?php

declare(strict_types=1);

namespace Escapement\Core\Rehearsal\Script;

use Escapement\Core\Plant\Side;
use Escapement\Core\Simulation\ScenarioEvent;

/** One piece of a script, with a place in time and mostly a length. */
final readonly class Block
{
    /**
     * @param ?int                 $lastsMs null: to the end of the script, or no length at all
     * @param null|list<int|float> $v       one a phase
     * @param int                  $fallMs  over how long the value is reached, 0 for at once
     * @param int                  $backMs  over how long nominal comes back
     */
    public function __construct(
        public BlockKind $kind,
        public int $atMs,
        public ?int $lastsMs = null,
        public Side $side = Side::Normal,
        public ?array $v = null,
        public int|float|null $hz = null,
        public int $fallMs = 0,
        public int $backMs = 0,
        public int $count = 1,
        public string $reason = 'trip',
        public bool $withLoad = true,
        public string $load = '',
        public int|float $kw = 0,
        public ?ScenarioEvent $other = null,
    ) {}

    public function endMs(): ?int
    {
        return $this->lastsMs === null ? null : $this->atMs + $this->lastsMs;
    }
}
