<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * A circuit that a company keeps to begin others with.
 *
 * @property int    $id
 * @property int    $company_id
 * @property int    $user_id
 * @property string $name
 * @property string $document JSON as `relay_check` reads it
 * @property string $supplies JSON as `relay_play` reads them
 */
final class CircuitTemplate extends Model
{
    use BelongsToCompany;

    protected $guarded = [];
}
