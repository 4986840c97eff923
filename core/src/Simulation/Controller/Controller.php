<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Controller;

use Escapement\Core\Plant\Side;

/** What decides: the controller of a standby or two-source switch, or the relay of a mobile one. */
interface Controller
{
    /** One pass of step (e); to be repeated until nothing changes. Rule: docs/rules.md#millisecond. */
    public function decide(int $t): void;

    /** The switch has just closed on this side. */
    public function closedOn(Side $side): void;

    public function nextDueMs(): int;

    public function startTest(int $t, bool $withLoad, ?int $forMs): void;

    public function stopTest(int $t): void;

    public function exercise(int $t, bool $withLoad, int $forMs): void;

    public function select(int $t, string $to): void;

    /** none, no_load or load. */
    public function test(): TestKind;
}
