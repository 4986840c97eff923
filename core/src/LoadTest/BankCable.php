<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Findings;
use Escapement\Core\Input\Tolerance;
use Escapement\Core\Wiring\Conductor;
use Escapement\Core\Wiring\ConductorInput;
use Escapement\Core\Wiring\ConductorResult;

/**
 * The cables of a load bank: its largest step runs for long, so it counts as continuous. A cable set is judged by the rating of its maker.
 * Rule: docs/rules.md#bank-cable.
 */
final readonly class BankCable
{
    private const CONTINUOUS = 1.25;

    /** Per phase at the largest step. */
    public float $amps;
    /** What the cables have to be good for. */
    public float $leastA;
    public ConductorResult $conductor;
    /** @var list<Finding> */
    public array $findings;

    /**
     * @param float  $bankKw   most that is switched on at once
     * @param float  $v        line to line, or line to neutral with one phase
     * @param 1|2|3  $phases   live conductors of the bank; 2 is one load between two legs
     * @param ?float $setA     rating of the cable set; null where none is entered
     * @param ?float $ratedV   of the bank
     */
    public function __construct(float $bankKw, float $v, int $phases, ?float $setA, ?float $ratedV)
    {
        $this->amps = 1000 * $bankKw / $v / ($phases === 3 ? sqrt(3) : 1);
        $this->leastA = self::CONTINUOUS * $this->amps;
        $this->conductor = (new Conductor())->size(new ConductorInput('cu', continuousA: $this->amps));
        $findings = new Findings();
        if ($setA !== null && Tolerance::isBelow($setA, $this->leastA)) {
            $findings->raise('bank-cable-small', ['set' => $setA, 'least' => $this->leastA]);
        }
        if ($ratedV !== null && Tolerance::exceeds($v, 1.1 * $ratedV)) {
            $findings->raise('bank-volts', ['rated' => $ratedV, 'v' => $v]);
        }
        if ($ratedV !== null && Tolerance::isBelow($v, 0.9 * $ratedV)) {
            $findings->raise('bank-gives-less', ['rated' => $ratedV, 'v' => $v, 'pct' => 100 * ($v / $ratedV) ** 2]);
        }
        $this->findings = $findings->worstFirst();
    }
}
