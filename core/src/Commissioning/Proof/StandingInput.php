<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Proof;

use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\PlantKind;

/** What the standing of a switch is computed from. */
final readonly class StandingInput
{
    /**
     * @param bool                  $hasReturnDelay there is a return delay that a bait test can try
     * @param bool                  $asksForBait    the company's school asks for it
     * @param bool                  $asksForLoadTest the chosen school of load tests asks for one
     * @param list<PartRecord>      $records        of all signed runs, in the order of signing
     * @param array<string, string> $facts          as they are now, by key: see core/data/proof_facts.php
     */
    public function __construct(
        public InstallationKind $installation,
        public PlantKind $plant,
        public bool $hasReturnDelay,
        public bool $asksForBait,
        public bool $asksForLoadTest,
        public array $records,
        public array $facts,
    ) {}
}
