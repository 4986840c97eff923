<?php

declare(strict_types=1);

namespace App\Stage;

use App\Models\Photo;
use App\Models\TransferSwitch;
use App\Models\User;

/** Writes a picture with its bytes. To be called inside a transaction. */
final readonly class KeptPhoto
{
    /** @param array<string, mixed> $columns id, subject, moment, caption, and of a run its step */
    public static function of(Picture $picture, TransferSwitch $switch, User $user, array $columns): Photo
    {
        $photo = Photo::query()->create($columns + [
            'company_id' => $switch->company_id, 'switch_id' => $switch->id, 'user_id' => $user->id,
            'taken_at' => $picture->takenAt, 'width' => $picture->width, 'height' => $picture->height, 'sha256' => $picture->sha256,
        ]);
        $photo->file()->create(['full' => $picture->full, 'small' => $picture->small]);

        return $photo;
    }
}
