<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * A load of the company's own library.
 *
 * @property int                  $id
 * @property int                  $company_id
 * @property int                  $place
 * @property array<string, mixed> $line  as LoadLines takes it
 */
final class TypicalLoad extends Model
{
    use BelongsToCompany;

    public $timestamps = false;
    protected $guarded = [];

    protected function casts(): array
    {
        return ['line' => 'array'];
    }
}
