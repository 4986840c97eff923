<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic;

use Escapement\Core\Finding\Finding;

/** A control circuit searched through: what it can do, and what one fault makes of it. Rule: docs/rules.md#relay-check. */
final readonly class RelayCheckResult
{
    /**
     * @param list<TruthRow>         $truthTable
     * @param list<FaultOutcome>     $faults
     * @param list<StartFault>       $startFaults
     * @param list<DeadCondition>    $deadConditions
     * @param list<HuntingCondition> $hunting
     * @param list<Finding>          $findings      worst first
     * @param list<string>           $working
     */
    public function __construct(
        public array $truthTable,
        public int $reachableStates,
        public bool $bothClosedReachable,
        public array $faults,
        public array $startFaults,
        public array $deadConditions,
        public array $hunting,
        public array $findings,
        public array $working,
    ) {}
}
