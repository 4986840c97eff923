<?php

declare(strict_types=1);

namespace App\Models;

use Escapement\Core\LoadTest\ReadingSource;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * One reading of a load test: never changed, only struck out.
 *
 * @property string      $id          given by the page: the same reading sent again is the same
 * @property int         $company_id
 * @property int         $load_test_id
 * @property int         $user_id
 * @property Carbon      $taken_at
 * @property list<float> $v_v         per phase, to neutral
 * @property list<float> $a_a         per phase
 * @property float       $hz
 * @property ?float      $kw
 * @property ?float      $oil_kpa
 * @property ?float      $coolant_c
 * @property ?float      $exhaust_c
 * @property ?float      $battery_v
 * @property ?string     $note
 * @property ?string     $struck_why  why it does not count
 * @property ReadingSource $source
 * @property User        $user
 */
final class LoadReading extends Model
{
    use BelongsToCompany;

    public const UPDATED_AT = null;

    public $incrementing = false;
    protected $keyType = 'string';
    protected $guarded = [];
    protected $dateFormat = 'Y-m-d H:i:s.v';

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return array<string, mixed> as the record, the export and the evaluation take it */
    public function figures(): array
    {
        return [
            'v_v' => $this->v_v, 'a_a' => $this->a_a, 'hz' => $this->hz, 'kw' => $this->kw, 'oil_kpa' => $this->oil_kpa,
            'coolant_c' => $this->coolant_c, 'exhaust_c' => $this->exhaust_c, 'battery_v' => $this->battery_v,
        ];
    }

    protected function casts(): array
    {
        return [
            'taken_at' => 'datetime', 'v_v' => 'array', 'a_a' => 'array', 'hz' => 'float', 'kw' => 'float', 'oil_kpa' => 'float',
            'coolant_c' => 'float', 'exhaust_c' => 'float', 'battery_v' => 'float',
            'source' => ReadingSource::class,
        ];
    }
}
