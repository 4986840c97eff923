<?php

declare(strict_types=1);

namespace App\Models;

/**
 * What keeps a chained record: a run, a load test. Its row is locked while something is appended.
 *
 * @property int    $id
 * @property int    $company_id
 * @property string $head       hash of the last entry
 */
interface Recorded
{
    /** The column of a record entry that points here. */
    public function recordKey(): string;
}
