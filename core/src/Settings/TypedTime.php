<?php

declare(strict_types=1);

namespace Escapement\Core\Settings;

/**
 * A time as people write it: 300, 300 s, 5 min, 5:00, 1:02:03.5, 0,3. Without a unit it is seconds. Rule:
 * docs/rules.md#settings-templates.
 */
final readonly class TypedTime
{
    private const UNITS = ['ms' => 1, 's' => 1000, 'sec' => 1000, 'min' => 60_000, 'm' => 60_000, 'h' => 3_600_000];

    /** @return ?int milliseconds; null where it is no time, or finer than a millisecond */
    public static function ms(string $text): ?int
    {
        $text = str_replace([',', "\u{202F}", "\u{00A0}"], ['.', ' ', ' '], trim($text));
        if (preg_match('/^(?:(\d{1,6}):)?(\d{1,6}):(\d{2}(?:\.\d{1,9})?)$/D', $text, $clock) === 1) {
            $isInside = (float) $clock[3] < 60 && ($clock[1] === '' || (int) $clock[2] < 60);
            $seconds = self::scaled($clock[3], 1000);

            return $isInside && $seconds !== null ? $seconds + 60_000 * (int) $clock[2] + 3_600_000 * (int) $clock[1] : null;
        }
        if (preg_match('/^(\d{1,12}(?:\.\d{1,9})?)\s*(ms|s|sec|min|m|h)?$/Di', $text, $parts) !== 1) {
            return null;
        }

        return self::scaled($parts[1], self::UNITS[strtolower($parts[2] ?? 's')]);
    }

    /** By its digits: 0.3 s are 300 ms and not 299.99. */
    private static function scaled(string $number, int $factor): ?int
    {
        [$whole, $part] = explode('.', $number) + [1 => ''];
        $part = rtrim($part, '0');
        $digits = strlen($part);
        $fraction = (int) ($part === '' ? '0' : $part) * $factor;
        $divisor = 10 ** $digits;

        return $fraction % $divisor === 0 ? (int) $whole * $factor + intdiv($fraction, $divisor) : null;
    }
}
