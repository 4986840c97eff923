<?php

declare(strict_types=1);

namespace App\Stage;

/** What has to be added to the clock of an instrument, from what it said and what the time was at that moment. */
final readonly class ClockOffset
{
    private const DAY_S = 86_400;

    /**
     * @param ?string $says as 09:15:00 or 09:15; null: it was right
     *
     * @return int seconds, of the shorter way around the clock
     */
    public static function seconds(?string $says, ?string $is): int
    {
        if ($says === null || $is === null) {
            return 0;
        }
        $seconds = static fn(string $text): int => (int) array_sum(array_map(
            static fn(string $part, int $unit): int => (int) $part * $unit,
            array_pad(explode(':', $text), 3, '0'),
            [3600, 60, 1],
        ));
        $offset = $seconds($is) - $seconds($says);

        return $offset > self::DAY_S / 2 ? $offset - self::DAY_S : ($offset < -self::DAY_S / 2 ? $offset + self::DAY_S : $offset);
    }
}
