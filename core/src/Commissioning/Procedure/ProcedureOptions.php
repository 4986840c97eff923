<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Procedure;

/** The schools a technician chooses between, and the bands agreed for the site. Rule: commissioning §1, §4. */
final readonly class ProcedureOptions
{
    /**
     * @param bool         $hasBait        the bait test; on by default, the best single test of judgement
     * @param bool         $hasManual      the lever; off by default, only by the maker's rules
     * @param bool         $hasTestButton  the controller's own test with load, timed; off by default: it proves engine and mechanism, the outage proves the sensing as well
     * @param bool         $hasLoadBank    quarter steps on a load bank; off by default, the building is the load
     * @param bool         $isOwnerPresent on by default: the owner who has seen it believes it
     * @param bool         $hasContactDrop off by default on houses: only at test points that are reached with the covers on; mobile and three-phase switches always have it
     * @param ?float       $legA           what a leg may carry on the generator
     * @param list<string> $mustRun        loads that are looked at one by one
     */
    public function __construct(
        public bool $hasBait = true,
        public bool $hasManual = false,
        public bool $hasLoadBank = false,
        public bool $isOwnerPresent = true,
        public bool $hasPhotos = true,
        public bool $isDroop = false,
        public float $utilityVPct = 10.0,
        public float $generatorVPct = 5.0,
        public float $batteryV = 12.0,
        public ?float $legA = null,
        public bool $burnsGas = false,
        public array $mustRun = [],
        public bool $hasContactDrop = false,
        public bool $hasTestButton = false,
    ) {}
}
