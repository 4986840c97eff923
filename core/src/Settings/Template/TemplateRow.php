<?php

declare(strict_types=1);

namespace Escapement\Core\Settings\Template;

use Escapement\Core\Plant\PlantKind;
use Escapement\Core\Settings\Application;
use Escapement\Core\Settings\Limit;

/** One line of the table of planning values; null where the kind has no such setting. */
final readonly class TemplateRow
{
    /** @param array{?int, ?int, ?int} $returnMs short, storm-wise, critical */
    public function __construct(
        public Application $application,
        public PlantKind $kind,
        public int $phases,
        public Limit $normalVolts,
        public int $normalDropoutMs,
        public Limit $emergencyHertz,
        public int $emergencyDropoutMs,
        public ?int $startMs,
        public int $transferMs,
        public ?int $cooldownMs,
        public ?int $offMs,
        public int $travelMs,
        public array $returnMs,
    ) {}
}
