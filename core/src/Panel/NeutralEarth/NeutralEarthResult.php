<?php

declare(strict_types=1);

namespace Escapement\Core\Panel\NeutralEarth;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\WorkingLine;

/** Where the neutral meets the earth, and what is to be changed. Rule: docs/rules.md#neutral-earth. */
final readonly class NeutralEarthResult
{
    /**
     * @param list<EarthPosition>                          $positions
     * @param array<string, ?bool>                         $separatelyDerived
     * @param list<array{action: string, at: ?string}>     $actions
     * @param null|list<float>                             $openNeutralV
     * @param list<string>                                 $neutralRules
     * @param list<Finding>                                $findings
     * @param list<WorkingLine>                            $working
     */
    public function __construct(
        public array $positions,
        public array $separatelyDerived,
        public array $actions,
        public ?array $openNeutralV,
        public array $neutralRules,
        public array $findings,
        public array $working,
    ) {}
}
