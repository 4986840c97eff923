<?php

declare(strict_types=1);

namespace Escapement\Core\Record;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;

/** What `verify-record` answers, of a run, a load test or a logbook. Rule: docs/rules.md#record. */
final readonly class Verification
{
    /**
     * @return array<string, mixed>
     *
     * @throws BadInput at the first thing that does not fit
     */
    public static function of(Node $export): array
    {
        $format = $export->value instanceof \stdClass ? $export->value->format ?? null : null;

        return match ($format) {
            LoadTestRecord::FORMAT => LoadTestRecord::verification($export),
            LogbookRecord::FORMAT => LogbookRecord::verification($export),
            default => RunRecord::verification($export),
        };
    }
}
