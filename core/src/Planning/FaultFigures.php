<?php

declare(strict_types=1);

namespace Escapement\Core\Planning;

use Escapement\Core\Wiring\FaultCurrent\FaultSource;
use Escapement\Core\Wiring\FaultCurrent\GeneratorFault;

/** What is known of the sources of a site, and of its feeders, to tell fault currents from. */
final readonly class FaultFigures
{
    /**
     * @param ?FaultSource      $utility   each utility-side source alike; null: its fault current is not known
     * @param ?GeneratorFault   $generator null: there is none, or nobody has its reactance
     * @param list<FaultFeeder> $feeders   of the schedule; what is not in it counts as no length at all, which is never too little
     * @param float             $motorA    rated amperes of the motors that run, in sum
     */
    public function __construct(
        public ?FaultSource $utility,
        public ?GeneratorFault $generator = null,
        public array $feeders = [],
        public float $motorA = 0.0,
    ) {}
}
