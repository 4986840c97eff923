<?php

declare(strict_types=1);

namespace Escapement\Core\Bench;

use Escapement\Core\Plant\LegSystem;
use Escapement\Core\Plant\Load;
use Escapement\Core\Plant\Plant;
use Escapement\Core\Settings\Settings;

/** A bench and what hands did to it. */
final readonly class BenchInput
{
    /**
     * @param list<Load>               $loads
     * @param ?BenchGenerator          $generator   null for two standing supplies
     * @param array<string, BenchLoad> $electrical  of every load, by id
     * @param list<float>              $elementsKw  of the load bank
     * @param list<int>                $sampleAtMs  rising
     */
    public function __construct(
        public Plant $plant,
        public Settings $settings,
        public array $loads,
        public ?BenchGenerator $generator,
        public array $electrical,
        public array $elementsKw,
        public bool $isBankAtGenerator,
        public BenchScript $script,
        public array $sampleAtMs,
        public int $untilMs,
    ) {}

    public function legs(): LegSystem
    {
        $nominalV = (float) $this->plant->normal->nominalV;

        return LegSystem::of(['single', 'split', 'three'][$this->plant->normal->phases - 1], $nominalV);
    }
}
