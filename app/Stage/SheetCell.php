<?php

declare(strict_types=1);

namespace App\Stage;

/** A text as a cell of a table for a spreadsheet, which takes a cell that begins so for a formula. */
final readonly class SheetCell
{
    public static function text(string $text): string
    {
        return preg_match('/^[=+\-@\t\r]/', $text) === 1 ? "'$text" : $text;
    }
}
