<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\Split;

/** A service of two sets on one switch, split to its panels. Rule: docs/rules.md#service-split. */
final readonly class ServiceSplitInput
{
    /**
     * @param bool                          $is83         the 83 per cent of a dwelling are asked for; they hold up to 400 A
     * @param non-empty-list<LineConductor> $line
     * @param float                         $tolerancePct by which parallel lengths may differ
     * @param non-empty-list<SplitPanel>    $panels
     */
    public function __construct(
        public float $serviceA,
        public float $loadA,
        public SplitSwitch $switch,
        public SplitConductor $conductor,
        public array $line,
        public array $panels,
        public bool $is83 = true,
        public float $tolerancePct = 1.0,
    ) {}
}
