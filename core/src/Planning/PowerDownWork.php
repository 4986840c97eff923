<?php

declare(strict_types=1);

namespace Escapement\Core\Planning;

use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\Upstream;

/** What the day of a power-down has to be planned for. */
final readonly class PowerDownWork
{
    /**
     * @param int          $feeders     to pull
     * @param list<string> $bonds       what moves at which bond, in words; empty while a bond is not known
     * @param int          $grounds     conductors that change bars
     * @param int          $circuits    that move to the panel or box which the source carries
     * @param ?Upstream    $upstream    who opens the supply; null: not known
     * @param ?bool        $isInspected an inspection comes before the supply closes; null: not known
     * @param ?Upstream    $upstreamSecond who opens the second of two supplies; null: not known, or there is one
     */
    public function __construct(
        public InstallationKind $kind,
        public int $feeders = 0,
        public array $bonds = [],
        public int $grounds = 0,
        public int $circuits = 0,
        public ?Upstream $upstream = null,
        public ?bool $isInspected = null,
        public ?Upstream $upstreamSecond = null,
    ) {}
}
