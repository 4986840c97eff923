<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Sizing;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\WorkingLine;

/** Which ways the source carries, and which is recommended. Rule: docs/rules.md#sizing. */
final readonly class SizingResult
{
    /**
     * @param array{whole: SizingOption, managed: SizingOption, essential: SizingOption} $options
     * @param list<ManagedReturn>                                                        $returns        managed loads in their order
     * @param 'essential'|'managed'|'none'|'whole'                                       $recommendation
     * @param 'essential'|'managed'|'none'|'whole'                                       $chosen
     * @param list<Finding>                                                              $findings       worst first
     * @param list<WorkingLine>                                                          $working
     */
    public function __construct(
        public float $scale,
        public float $managedScale,
        public array $options,
        public array $returns,
        public string $recommendation,
        public string $chosen,
        public array $findings,
        public array $working,
    ) {}
}
