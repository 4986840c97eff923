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

    /**
     * The hashes of what is kept, taken where it lies: a report verifies forty pictures without fetching them.
     *
     * @param list<string> $photoIds
     *
     * @return array<string, string> by photo
     */
    public static function sha256(array $photoIds): array
    {
        /** @var array<string, string> */
        return self::query()->whereIn('photo_id', $photoIds)->selectRaw(
            'photo_id, SHA2(`full`, 256) AS sha256',
        )->pluck('sha256', 'photo_id')->all();
    }
}
