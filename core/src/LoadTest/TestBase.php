<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

/** What a load test is made of and measured against: profile, fuel and the power that counts as 100 percent. */
final readonly class TestBase
{
    /** @var list<LoadStep> */
    public array $steps;

    /**
     * @param list<LoadStep>     $own      steps of a custom profile
     * @param ?float             $classMin how long the class of the system must run
     * @param 'nameplate'|'site' $basis
     * @param float              $usableKw at this site
     */
    public function __construct(
        public TestProfile $profile,
        array $own,
        public ?float $classMin,
        public string $fuel,
        public float $nameplateKw,
        public string $basis,
        public float $usableKw,
    ) {
        $this->steps = $profile->steps($fuel, $own, $classMin);
    }

    public function kw(): float
    {
        return $this->basis === 'site' ? $this->usableKw : $this->nameplateKw;
    }

    public function isDiesel(): bool
    {
        return $this->fuel === 'diesel';
    }

    /** @return list<ProofRow> */
    public function proof(): array
    {
        return $this->profile->proof($this->steps);
    }
}
