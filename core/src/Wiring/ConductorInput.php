<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring;

/** One circuit or feeder in AWG and kcmil: its load, its device, and where its conductors lie. Rule: docs/rules.md#conductor. */
final readonly class ConductorInput
{
    public int $insulationC;

    /**
     * @param 'al'|'cu'  $material
     * @param ?float     $ocpdA             the overcurrent device; null: the smallest that carries the load
     * @param ?float     $maxOcpdA          the largest device the nameplate of the one machine on this circuit allows
     * @param ?int       $insulationC       60, 75 or 90; null: what the cable has
     * @param ?int       $terminalC         60 or 75; null: by the device
     * @param int        $currentCarrying   conductors in the same raceway
     * @param bool       $isNipple          24 in or shorter: no adjustment for bundling
     * @param ?string    $size              null: choose one
     * @param bool       $isDwelling        the service or a feeder that carries the whole load of one dwelling
     * @param bool       $isCombined        the cautious school: 125 % must also be met after correction
     */
    public function __construct(
        public string $material,
        public float $continuousA = 0.0,
        public float $noncontinuousA = 0.0,
        public ?float $ocpdA = null,
        public ?float $maxOcpdA = null,
        public Cable $cable = Cable::Raceway,
        public Location $location = Location::Dry,
        public bool $isInInsulation = false,
        ?int $insulationC = null,
        public ?int $terminalC = null,
        public bool $isOcpd100Rated = false,
        public float $ambientC = 30.0,
        public bool $isAmbientByFormula = false,
        public int $currentCarrying = 3,
        public bool $isNipple = false,
        public int $sets = 1,
        public ?string $size = null,
        public bool $isDwelling = false,
        public bool $isSmallConductorExempt = false,
        public bool $isMultiReceptacle = false,
        public bool $isCombined = false,
    ) {
        $this->insulationC = $insulationC ?? $cable->insulationC();
    }
}
