<?php

declare(strict_types=1);

namespace Escapement\Core\Planning;

use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\Upstream;

/** What survey and plan know of an installation. Null is "not known": nothing is proposed that would rest on it. */
final readonly class SitePlanInput
{
    public ?bool $isNeutralSwitched;

    /**
     * @param string         $system                single, split or three
     * @param float          $vLn                   V, line to neutral
     * @param bool           $isBattery             the emergency source is an inverter on batteries
     * @param ?float         $sourceLegA            what the emergency source gives a leg, from its rating
     * @param ?int           $sourceOcpdA           the standard size that fits its rated current
     * @param ?bool          $isGeneratorBonded     neutral bonded at the emergency source
     * @param ?bool          $isPanelBonded         neutral bonded in the existing panel (both, where there are two)
     * @param ?bool          $isServiceBonded       neutral bonded in the disconnect ahead of the switch, where there is one
     * @param ?string        $electrodeAt           panel, disconnect or meter: where the grounding electrode conductor lands
     * @param list<PlanLoad> $loads
     * @param list<SubPanel> $subPanels             each after the one that feeds it
     * @param ?Declared      $declared              null: nobody was asked
     */
    public function __construct(
        public InstallationKind $kind,
        public string $system,
        public float $vLn,
        public ?int $serviceA = null,
        public ?int $switchA = null,
        public bool $isServiceRated = false,
        public ?int $poles = null,
        ?bool $isNeutralSwitched = null,
        public bool $isBattery = false,
        public ?float $generatorBreakerA = null,
        public ?float $sourceLegA = null,
        public ?int $sourceOcpdA = null,
        public ?bool $isGeneratorBonded = null,
        public ?bool $isPanelBonded = null,
        public ?bool $isServiceBonded = null,
        public ?string $electrodeAt = null,
        public ?Upstream $upstream = null,
        public int $groundsOnNeutralBar = 0,
        public int $groundBarFree = 0,
        public ?float $faultKa = null,
        public ?float $withstandKa = null,
        public array $loads = [],
        public array $subPanels = [],
        public ?Declared $declared = null,
    ) {
        // On three phases the poles say it: four switch the neutral, three leave it through. On a split phase a pole may be a spare one.
        $this->isNeutralSwitched = $isNeutralSwitched ?? ($kind->isThreePhase() ? [3 => false, 4 => true][$poles] ?? null : null);
    }
}
