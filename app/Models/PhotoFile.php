<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * The bytes of a photo, apart from it so that lists stay light. Reached through the photo only, which belongs to a company.
 *
 * @property string $photo_id
 * @property string $full     JPEG
 * @property string $small    JPEG
 */
final class PhotoFile extends Model
{
    public $timestamps = false;
    public $incrementing = false;
    protected $primaryKey = 'photo_id';
    protected $keyType = 'string';
    protected $guarded = [];
}
