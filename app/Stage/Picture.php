<?php

declare(strict_types=1);

namespace App\Stage;

use Illuminate\Contracts\Cache\LockTimeoutException;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Cache;

/** An uploaded picture as it is kept: upright, small enough for the road, and without what the camera wrote into it. */
final readonly class Picture
{
    public const UNREADABLE = 'No picture that can be read here: JPEG, PNG or WebP, up to 25 megapixels.';
    private const LONGEST_PX = 1600;
    private const SMALL_PX = 320;
    private const MOST_PIXELS = 25_000_000;
    /** How long one may wait for the picture of somebody else; a picture of a phone is read in half a second. */
    private const PATIENCE_S = 20;

    /** @param string $sha256 of the file as it was sent */
    private function __construct(
        public string $full,
        public string $small,
        public int $width,
        public int $height,
        public ?string $takenAt,
        public string $sha256,
    ) {}

    /** Null when it is no picture that can be read, or one too large to be opened. */
    public static function of(UploadedFile $file): ?self
    {
        $path = (string) $file->getRealPath();
        $size = @getimagesize($path);
        if ($size === false || $size[0] * $size[1] > self::MOST_PIXELS || ! in_array(
            $size[2],
            [IMAGETYPE_JPEG, IMAGETYPE_PNG, IMAGETYPE_WEBP],
            true,
        )) {
            return null;
        }
        // One at a time on all nodes: a picture of 25 megapixels takes 100 MB while it is open.
        try {
            return Cache::lock('picture', self::PATIENCE_S)->block(
                self::PATIENCE_S,
                static fn(): ?self => self::read($file, $path, $size[2]),
            );
        } catch (LockTimeoutException) {
            abort(503, headers: ['Retry-After' => (string) self::PATIENCE_S]); // a phone keeps it and sends it again
        }
    }

    private static function read(UploadedFile $file, string $path, int $type): ?self
    {
        $image = @imagecreatefromstring($file->getContent());
        if ($image === false) {
            return null;
        }
        $exif = $type === IMAGETYPE_JPEG ? @exif_read_data($path) : false;
        $upright = self::turned(self::within($image, self::LONGEST_PX), is_array($exif) ? $exif['Orientation'] ?? 1 : 1);
        $takenAt = is_array($exif) ? $exif['DateTimeOriginal'] ?? $exif['DateTime'] ?? null : null;

        return new self(
            self::jpeg($upright),
            self::jpeg(self::within($upright, self::SMALL_PX)),
            imagesx($upright),
            imagesy($upright),
            is_string($takenAt) ? mb_substr(mb_scrub($takenAt), 0, 30) : null,
            (string) hash_file('sha256', $path),
        );
    }

    private static function within(\GdImage $image, int $longest): \GdImage
    {
        $scale = min(1, $longest / max(imagesx($image), imagesy($image)));
        $width = max(1, (int) round($scale * imagesx($image)));
        $height = max(1, (int) round($scale * imagesy($image)));
        $paper = imagecreatetruecolor($width, $height);
        imagefill($paper, 0, 0, (int) imagecolorallocate($paper, 255, 255, 255)); // what is see-through becomes paper
        imagecopyresampled($paper, $image, 0, 0, 0, 0, $width, $height, imagesx($image), imagesy($image));

        return $paper;
    }

    /** Cameras keep the picture as the sensor lay, and say how to turn it. */
    private static function turned(\GdImage $image, mixed $orientation): \GdImage
    {
        $degrees = [3 => 180, 6 => 270, 8 => 90][is_int($orientation) ? $orientation : 1] ?? 0;
        $turned = $degrees === 0 ? $image : imagerotate($image, $degrees, 0);

        return $turned === false ? $image : $turned;
    }

    private static function jpeg(\GdImage $image): string
    {
        ob_start();
        imagejpeg($image, null, 82);

        return (string) ob_get_clean();
    }
}
