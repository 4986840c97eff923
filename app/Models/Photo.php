<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasOne;
use Illuminate\Support\Carbon;

/**
 * A picture from a site, made smaller and rid of all the camera wrote into it but the time.
 *
 * @property string     $id
 * @property int        $company_id
 * @property int        $switch_id
 * @property int        $user_id
 * @property ?int       $run_id     that it is evidence of
 * @property ?string    $step       of that run's procedure
 * @property ?int       $load_test_id that it is evidence of
 * @property ?string    $reading_id of that test
 * @property ?string    $log_entry_id that it belongs to
 * @property string     $subject    of the survey
 * @property string     $moment     before, during or after the work
 * @property ?string    $shows      the question of the survey or the nameplate that it is evidence of
 * @property ?string    $caption
 * @property ?string    $taken_at   as the camera said
 * @property int        $width      of the picture that is kept
 * @property int        $height
 * @property string     $sha256     of the file as it was sent: the same file again is the same picture
 * @property User       $user
 * @property TransferSwitch $switch
 * @property ?PhotoFile $file
 * @property Carbon     $created_at
 */
final class Photo extends Model
{
    use BelongsToCompany;
    use MadeOnDevice;

    public const UPDATED_AT = null;
    public const MOMENTS = ['before' => 'before the work', 'during' => 'during', 'after' => 'after'];

    protected $guarded = [];

    /** @return BelongsTo<TransferSwitch, $this> */
    public function switch(): BelongsTo
    {
        return $this->belongsTo(TransferSwitch::class, 'switch_id');
    }

    /** @return HasOne<PhotoFile, $this> */
    public function file(): HasOne
    {
        return $this->hasOne(PhotoFile::class);
    }

    protected function casts(): array
    {
        return ['created_at' => 'datetime'];
    }
}
