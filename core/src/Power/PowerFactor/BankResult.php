<?php

declare(strict_types=1);

namespace Escapement\Core\Power\PowerFactor;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\WorkingLine;

/** A chosen capacitor bank. Rule: docs/rules.md#power-factor-bank. */
final readonly class BankResult
{
    /**
     * @param list<int>                                                                             $chosen steps, by index
     * @param float                                                                                 $netKvar negative: leading
     * @param list<array{name: string, kvar: float, a: float, conductor_a: float, breaker_a: ?int}> $stages
     * @param list<Finding>                                                                         $findings
     * @param list<WorkingLine>                                                                     $working
     */
    public function __construct(
        public float $neededKvar,
        public array $chosen,
        public float $totalKvar,
        public float $pfAfter,
        public float $netKvar,
        public bool $leading,
        public float $lineABefore,
        public float $lineAAfter,
        public float $dischargeS,
        public ?float $resonanceOrder,
        public array $stages,
        public ?OnGenerator $generator,
        public array $findings,
        public array $working,
    ) {}
}
