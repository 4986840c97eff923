<?php

declare(strict_types=1);

namespace Escapement\Core\Survey;

use Escapement\Core\Plant\InstallationKind;

/** What was answered, photographed and listed at a site. Rule: docs/rules.md#survey. */
final readonly class SurveyInput
{
    /**
     * @param array<string, string|float> $answers by the keys of core/data/survey.php and `fuel`; distances in metres, gas pressures in
     *     inches of water column
     * @param list<string>                $shown   nameplates and questions that a picture answers
     * @param list<SurveyLoad>            $loads
     */
    public function __construct(
        public InstallationKind $kind,
        public array $answers,
        public int $beforePhotos = 0,
        public array $shown = [],
        public array $loads = [],
    ) {}
}
