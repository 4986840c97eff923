<?php

declare(strict_types=1);

namespace Escapement\Core\WiringView;

use Escapement\Core\Finding\Finding;

/** One enclosure ready to be drawn, to be landed and to be feared. Rule: docs/rules.md#wiring-view. */
final readonly class WiringViewResult
{
    /**
     * @param int                   $rows        row 0 is the top gutter, this one the bottom gutter
     * @param list<ViewedTerminal>  $terminals
     * @param list<LandedConductor> $conductors
     * @param list<SharedLug>       $shared
     * @param list<Jumper>          $jumpers     the fitted ones
     * @param list<LandingStep>     $steps
     * @param list<LiveInPosition>  $live
     * @param list<LiveWithOpen>    $liveOpen
     * @param \stdClass             $staysLive   sources by port with all devices of the enclosure open
     * @param list<Finding>         $findings    worst first
     * @param list<string>          $working
     */
    public function __construct(
        public int $rows,
        public int $columns,
        public array $terminals,
        public array $conductors,
        public array $shared,
        public bool $bond,
        public array $jumpers,
        public array $steps,
        public array $live,
        public array $liveOpen,
        public \stdClass $staysLive,
        public array $findings,
        public array $working,
    ) {}
}
