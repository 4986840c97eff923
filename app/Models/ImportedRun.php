<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A run or a load test that was exported elsewhere, kept as the file it came in.
 *
 * @property int     $id
 * @property int     $company_id
 * @property int     $user_id
 * @property string  $kind     RUN or LOAD_TEST
 * @property string  $site     its name
 * @property ?string $verdict  as signed; null: not signed
 * @property string  $head     of its record: the same run imported again is the same
 * @property string  $document JSON by the published schema run or load-test
 * @property User    $user
 * @property Carbon  $created_at
 */
final class ImportedRun extends Model
{
    use BelongsToCompany;

    public const UPDATED_AT = null;
    public const RUN = 'run';
    public const LOAD_TEST = 'load_test';

    protected $guarded = [];

    public function isLoadTest(): bool
    {
        return $this->kind === self::LOAD_TEST;
    }

    /** The verdict as signed, in words. */
    public function verdictWords(): string
    {
        return match ($this->verdict) {
            'pass' => 'passed', 'fail' => 'did not pass', 'not_proven' => 'not proven', 'incomplete' => 'incomplete',
            default => 'not signed',
        };
    }

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
