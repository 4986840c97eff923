<?php

declare(strict_types=1);

namespace Database\Seeders;

use Illuminate\Http\UploadedFile;

/** Draws what stands in for a photograph in the demo: an enclosure, its lugs or breakers, a label. */
final readonly class DemoPicture
{
    public static function of(string $label, int $breakers, bool $isOpen): UploadedFile
    {
        $image = imagecreatetruecolor(1200, 900);
        $colour = static fn(int $r, int $g, int $b): int => (int) imagecolorallocate($image, $r, $g, $b);
        for ($y = 0; $y < 900; $y += 60) {
            imagefilledrectangle($image, 0, $y, 1199, $y + 57, $colour(198 - intdiv($y, 30), 190 - intdiv($y, 30), 172 - intdiv($y, 30)));
        }
        $metal = $colour(150, 155, 160);
        $dark = $colour(45, 48, 52);
        imagefilledrectangle($image, 330, 90, 870, 820, $metal);
        imagefilledrectangle($image, 360, 120, 840, 790, $isOpen ? $colour(92, 96, 100) : $colour(168, 172, 176));
        for ($i = 0; $i < $breakers; $i++) {
            $left = $i % 2 === 0 ? 420 : 620;
            $top = 200 + 52 * intdiv($i, 2);
            imagefilledrectangle($image, $left, $top, $left + 160, $top + 40, $dark);
            imagefilledrectangle($image, $left + 60, $top + 8, $left + 110, $top + 32, $colour(210, 205, 190));
        }
        foreach ($isOpen ? [440, 500, 560, 680, 740] : [] as $n => $x) {
            imagesetthickness($image, 14);
            imagearc($image, $x, 860, 90 + 12 * $n, 260, 180, 300, $n < 3 ? $dark : $colour(225, 220, 210));
        }
        imagefilledrectangle($image, 420, 135, 780, 180, $colour(240, 236, 224));
        imagestring($image, 5, 440, 150, $label, $dark);
        $path = (string) tempnam(sys_get_temp_dir(), 'demo');
        imagepng($image, $path);

        return new UploadedFile($path, 'demo.png', 'image/png', null, true);
    }
}
