<?php

declare(strict_types=1);

namespace App\Drawing;

/** A signature as it was drawn, for paper: an image that carries itself. */
final readonly class Signature
{
    /** @param string $path of an SVG, 400 by 130 */
    public function __construct(private string $path) {}

    public function image(): string
    {
        $path = '<path d="' . htmlspecialchars($this->path) . '" fill="none" stroke="#000" stroke-width="2.4"/>';
        $svg = "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"400\" height=\"130\" viewBox=\"0 0 400 130\">$path</svg>";

        return 'data:image/svg+xml;base64,' . base64_encode($svg);
    }
}
