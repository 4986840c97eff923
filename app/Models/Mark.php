<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * @property string  $id          made on the device, so that sending twice is once
 * @property int     $company_id
 * @property int     $run_id
 * @property string  $event
 * @property int     $at_ms
 * @property ?string $client_wall
 * @property ?string $note
 * @property ?string $late_reason
 * @property bool    $is_undone
 * @property ?string $flag
 * @property int     $user_id
 * @property User    $user
 * @property Carbon  $received_at
 */
final class Mark extends Model
{
    use BelongsToCompany;
    use MadeOnDevice;

    public $timestamps = false;
    protected $guarded = [];

    protected function casts(): array
    {
        return ['is_undone' => 'boolean', 'received_at' => 'datetime', 'at_ms' => 'integer'];
    }
}
