<?php

declare(strict_types=1);

namespace App\Models;

use Escapement\Core\LoadTest\TestMark;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * What happened in a load test, marked by a thumb: never changed, only struck out.
 *
 * @property string   $id         given by the device: the same mark sent again is the same
 * @property int      $company_id
 * @property int      $load_test_id
 * @property int      $user_id
 * @property TestMark $kind
 * @property Carbon   $at
 * @property ?float   $level_pct  of a step
 * @property ?string  $note
 * @property ?string  $struck_why why it does not count
 * @property User     $user
 */
final class LoadMark extends Model
{
    use BelongsToCompany;
    use MadeOnDevice;

    public const UPDATED_AT = null;
    protected $guarded = [];
    protected $dateFormat = 'Y-m-d H:i:s.v';

    protected function casts(): array
    {
        return ['kind' => TestMark::class, 'at' => 'datetime', 'level_pct' => 'float'];
    }
}
