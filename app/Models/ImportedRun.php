<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A run that was exported elsewhere, kept as the file it came in.
 *
 * @property int     $id
 * @property int     $company_id
 * @property int     $user_id
 * @property string  $site     its name
 * @property ?string $verdict  as signed; null: not signed
 * @property string  $head     of its record: the same run imported again is the same
 * @property string  $document JSON by the published schema run
 * @property User    $user
 * @property Carbon  $created_at
 */
final class ImportedRun extends Model
{
    use BelongsToCompany;

    public const UPDATED_AT = null;

    protected $guarded = [];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    protected function casts(): array
    {
        return ['created_at' => 'datetime'];
    }
}
