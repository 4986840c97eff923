<?php

declare(strict_types=1);

namespace App\Models;

use Escapement\Core\LoadTest\ReadingSource;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * One reading of a load test: never changed, only struck out.
 *
 * @phpstan-type Figures array{v_v: list<float>, a_a: list<float>, hz: float, kw: ?float, oil_kpa: ?float, coolant_c: ?float,
 *     exhaust_c: ?float, battery_v: ?float}
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
    use MadeOnDevice;

    public const UPDATED_AT = null;
    protected $guarded = [];
    protected $dateFormat = 'Y-m-d H:i:s.v';

    /**
     * As the record, the export and the evaluation take it; read past the casts, which take their time with thousands of readings.
     *
     * @return Figures
     */
    public function figures(): array
    {
        $raw = $this->getAttributes();
        $list = static fn(string $key): array => array_map(
            floatval(...),
            (array) json_decode(is_string($raw[$key] ?? null) ? $raw[$key] : '[]', true, 4, JSON_THROW_ON_ERROR),
        );
        $figure = static fn(string $key): ?float => is_numeric($raw[$key] ?? null) ? (float) $raw[$key] : null;

        return [
            'v_v' => array_values($list('v_v')), 'a_a' => array_values($list('a_a')), 'hz' => $figure('hz') ?? 0.0, 'kw' => $figure('kw'),
            'oil_kpa' => $figure('oil_kpa'), 'coolant_c' => $figure('coolant_c'), 'exhaust_c' => $figure('exhaust_c'),
            'battery_v' => $figure('battery_v'),
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
