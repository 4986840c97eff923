<?php

declare(strict_types=1);

namespace Escapement\Core\Record;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;

/** What `verify-record` answers, of a run or of a load test. Rule: docs/rules.md#record. */
final readonly class Verification
{
    /**
     * @return array<string, mixed>
     *
     * @throws BadInput at the first thing that does not fit
     */
    public static function of(Node $export): array
    {
        $isLoadTest = $export->value instanceof \stdClass && ($export->value->format ?? null) === LoadTestRecord::FORMAT;

        return $isLoadTest ? LoadTestRecord::verification($export) : RunRecord::verification($export);
    }
}
