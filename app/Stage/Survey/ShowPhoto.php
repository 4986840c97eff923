<?php

declare(strict_types=1);

namespace App\Stage\Survey;

use App\Models\Photo;
use Illuminate\Http\Response;

/** The picture, or its small one. It never changes under its id. */
final readonly class ShowPhoto
{
    public function __invoke(Photo $photo, string $size): Response
    {
        $file = $photo->file()->firstOrFail();

        return response(
            $size === 'small' ? $file->small : $file->full,
            200,
            ['Content-Type' => 'image/jpeg', 'Cache-Control' => 'private, max-age=31536000, immutable'],
        );
    }
}
