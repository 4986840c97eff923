<?php

declare(strict_types=1);

namespace Escapement\Core\Record;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;

/** What `verify-record` answers, of a run, a load test or a logbook. Rule: docs/rules.md#record. */
final readonly class Verification
{
    /**
     * @param ?string $key public key that the company gave out, base64: with it a record that was rewritten as a whole is caught
     *
     * @return array<string, mixed>
     *
     * @throws BadInput at the first thing that does not fit
     */
    public static function of(Node $export, ?string $key = null): array
    {
        $format = $export->value instanceof \stdClass ? $export->value->format ?? null : null;
        $answer = match ($format) {
            LoadTestRecord::FORMAT => LoadTestRecord::verification($export),
            LogbookRecord::FORMAT => LogbookRecord::verification($export),
            default => RunRecord::verification($export),
        };

        return $answer + ['seal' => HeadSeal::verify($export->object()->required('record'), $key)];
    }
}
