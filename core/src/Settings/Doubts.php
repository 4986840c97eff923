<?php

declare(strict_types=1);

namespace Escapement\Core\Settings;

/**
 * Settings that a controller may take and that nobody means: the technician is asked back before they are kept. Not a judgement
 * of the setting, which SettingsCheck gives. Rule: docs/rules.md#settings-templates; the ranges are the widest of common controllers.
 */
final readonly class Doubts
{
    private const MINUTE = 60_000;
    /** The longest that is meant, in ms, by the setting. */
    private const LONGEST = [
        '/start_delay_ms' => 10 * self::MINUTE, '/transfer_delay_ms' => 30 * self::MINUTE, '/return_delay_ms' => 240 * self::MINUTE,
        '/cooldown_ms' => 120 * self::MINUTE,
        '/min_run_ms' => 720 * self::MINUTE, '/travel_ms' => self::MINUTE, '/off_delay_ms' => 10 * self::MINUTE,
        '/sensing/normal/dropout_delay_ms' => 5 * self::MINUTE, '/sensing/emergency/dropout_delay_ms' => 5 * self::MINUTE,
        '/load_shed/first_step_ms' => 60 * self::MINUTE, '/load_shed/step_ms' => 60 * self::MINUTE,
        '/load_shed/overload_ms' => 10 * self::MINUTE, '/load_shed/lockout_ms' => 240 * self::MINUTE,
    ];

    /**
     * @param array<string, mixed> $wire settings as Settings::toWire() gives them
     *
     * @return array<string, string> what to ask, by JSON Pointer
     */
    public static function of(array $wire): array
    {
        $doubts = [];
        foreach (self::LONGEST as $path => $longest) {
            $value = $wire;
            foreach (explode('/', substr($path, 1)) as $key) {
                $value = is_array($value) ? $value[$key] ?? null : null;
            }
            if (is_int($value) && $value > $longest) {
                $doubts[$path] = SheetWords::label($path) . ' of ' . self::long($value) . ': is that meant? Usual controllers end at '
                    . self::long($longest) . '.';
            }
        }

        return $doubts;
    }

    private static function long(int $ms): string
    {
        return $ms >= 120 * self::MINUTE ? round($ms / 3_600_000, 1) . ' h' : round($ms / self::MINUTE, 1) . ' min';
    }
}
