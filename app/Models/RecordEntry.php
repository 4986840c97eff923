<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * @property int    $id
 * @property int    $company_id
 * @property ?int   $run_id
 * @property ?int   $load_test_id
 * @property ?int   $logbook_id
 * @property int    $seq
 * @property string $entry  JSON as hashed
 * @property string $hash
 */
final class RecordEntry extends Model
{
    use BelongsToCompany;

    public $timestamps = false;
    protected $guarded = [];
}
