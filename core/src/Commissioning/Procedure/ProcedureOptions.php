<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Procedure;

use Escapement\Core\Commissioning\Service\ServiceWork;
use Escapement\Core\SettingsCheck\ClassTime;

/** The schools a technician chooses between, and the bands agreed for the site. Rule: docs/rules.md#procedure, docs/rules.md#bands. */
final readonly class ProcedureOptions
{
    /** Edition of the procedure that new runs are begun under. */
    public const EDITION = 3;

    /**
     * @param bool         $hasBait        the bait test; on by default, the best single test of judgement
     * @param bool         $hasManual      the lever; off by default, only by the maker's rules
     * @param bool         $hasTestButton  the controller's own test with load, timed; off by default: it proves engine and
     *     mechanism, the outage proves the sensing as well
     * @param bool         $hasLoadBank    quarter steps on a load bank; off by default, the building is the load
     * @param bool         $isOwnerPresent on by default: the owner who has seen it believes it
     * @param ?float       $utilityVPct    a band agreed for the site; null: what the supplier may deliver
     * @param bool         $hasContacts    resistance of the contacts, dead; off by default on houses, mobile and three-phase
     *     switches always have it
     * @param bool         $hasTestPoints  the maker fitted test points outside of the covers
     * @param ?float       $legA           what a leg may carry on the generator
     * @param list<string> $mustRun        loads that are looked at one by one
     * @param string       $systemClass    none, optional, legally_required or emergency
     * @param bool         $hasSignals     elevator, fire pump, building management and other contacts
     * @param bool         $hasBypass      a bypass and isolation switch
     * @param bool         $hasBank        a capacitor bank hangs on the bus
     * @param ?float       $bankReconnectS least seconds between its going off and coming back; null: not known
     * @param ?ServiceWork $service        a service visit instead of a proof
     * @param int          $edition        a run keeps the edition that it was begun under
     */
    public function __construct(
        public bool $hasBait = true,
        public bool $hasManual = false,
        public bool $hasLoadBank = false,
        public bool $isOwnerPresent = true,
        public bool $hasPhotos = true,
        public bool $isDroop = false,
        public ?float $utilityVPct = null,
        public float $generatorVPct = 5.0,
        public float $batteryV = 12.0,
        public ?float $legA = null,
        public bool $burnsGas = false,
        public array $mustRun = [],
        public bool $hasContacts = false,
        public bool $hasTestButton = false,
        public bool $hasTestPoints = false,
        public ?float $switchA = null,
        public string $systemClass = 'none',
        public bool $hasSignals = false,
        public bool $hasBypass = false,
        public int $edition = self::EDITION,
        public bool $hasBank = false,
        public ?float $bankReconnectS = null,
        public ?ServiceWork $service = null,
    ) {}

    /** Seconds within which the load is back, by its class; null where no class asks. */
    public function classSeconds(): ?int
    {
        return ClassTime::of($this->systemClass)?->seconds;
    }
}
