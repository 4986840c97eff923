<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Play;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\WorkingLine;

/** What happened, millisecond by millisecond. Rule: docs/rules.md#relay-play. */
final readonly class PlayResult
{
    /**
     * @param list<array<string, mixed>>                                                             $events
     * @param \stdClass                                                                              $tracks     device: its values
     * @param list<array{t_ms: int, rotation: ?string, phases: list<array{source: ?string, v: float}>}> $load
     * @param list<array{from_ms: int, to_ms: int}>                                                  $dark
     * @param list<int>                                                                              $phaseDarkMs
     * @param list<array{from_ms: int, to_ms: int, ms: int, both_live: bool}>                        $bothClosed
     * @param \stdClass                                                                              $engines    by supply
     * @param ?array{device: string, at_ms: int, steps: int}                                         $hunting
     * @param array<string, mixed>                                                                   $final
     * @param list<Finding>                                                                          $findings
     * @param list<WorkingLine>                                                                      $working
     */
    public function __construct(
        public array $events,
        public \stdClass $tracks,
        public array $load,
        public array $dark,
        public int $darkMs,
        public array $phaseDarkMs,
        public array $bothClosed,
        public \stdClass $engines,
        public ?array $hunting,
        public bool $coveredByProof,
        public int $endedMs,
        public array $final,
        public array $findings,
        public array $working,
    ) {}
}
