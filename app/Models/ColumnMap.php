<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * What a company said the columns of a table are, so that the next file of the same instrument needs no telling.
 *
 * @property int                  $id
 * @property int                  $company_id
 * @property string               $headings
 * @property array<string, mixed> $columns
 */
final class ColumnMap extends Model
{
    use BelongsToCompany;

    protected $guarded = [];

    protected function casts(): array
    {
        return ['columns' => 'array'];
    }
}
