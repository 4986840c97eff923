<?php

declare(strict_types=1);

namespace App\Http;

/** The id of a setting's field on the page of the sheet, so that a finding leads to the very field. */
final readonly class SettingAnchor
{
    private const SHEET = '/settings';

    /** @param string $path a pointer within the settings, or one within an input that holds them */
    public static function of(string $path): string
    {
        $within = str_starts_with($path, self::SHEET . '/') ? substr($path, strlen(self::SHEET)) : $path;

        return 'f-f-' . trim((string) preg_replace('/[^a-z0-9]+/i', '-', $within), '-');
    }
}
