<?php

declare(strict_types=1);

namespace Escapement\Core\Panel\PhaseBalance;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\WorkingLine;

/** A panel's balance now, at best, and with the fewest moves. Rule: docs/rules.md#phase-balance. */
final readonly class BalanceResult
{
    /**
     * @param array<string, mixed>                          $present
     * @param list<string>                                  $movable
     * @param list<array{moves: int, spread_a: int}>        $frontier
     * @param list<Finding>                                 $findings
     * @param list<WorkingLine>                             $working
     */
    public function __construct(
        public array $present,
        public array $movable,
        public bool $exact,
        public BalancePlan $optimum,
        public ?BalancePlan $fewest,
        public array $frontier,
        public array $findings,
        public array $working,
    ) {}
}
