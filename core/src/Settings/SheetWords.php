<?php

declare(strict_types=1);

namespace Escapement\Core\Settings;

/** The words of the settings sheet: what a technician calls each setting, and how its value is read out. */
final readonly class SheetWords
{
    private const LABELS = [
        '/start_delay_ms' => 'Start delay',
        '/transfer_delay_ms' => 'Transfer delay',
        '/return_delay_ms' => 'Return delay',
        '/cooldown_ms' => 'Cool-down',
        '/min_run_ms' => 'Minimum run',
        '/transition' => 'Transition',
        '/travel_ms' => 'Travel',
        '/off_delay_ms' => 'Centre-off time',
        '/commit_to_transfer' => 'Commit to transfer',
        '/exercise' => 'Exercise',
        '/exercise/first_at_ms' => 'Exercise, first after',
        '/exercise/every_ms' => 'Exercise, every',
        '/exercise/for_ms' => 'Exercise, length',
        '/exercise/with_load' => 'Exercise with load',
        '/load_shed' => 'Load shedding',
        '/load_shed/limit_kw' => 'Shedding limit',
        '/load_shed/first_step_ms' => 'First load back after',
        '/load_shed/step_ms' => 'Between loads',
        '/load_shed/overload_ms' => 'Overload time',
        '/load_shed/lockout_ms' => 'Lock-out after shedding',
    ];

    private const SENSED = [
        'under_voltage' => 'under-voltage', 'over_voltage' => 'over-voltage', 'under_frequency' => 'under-frequency',
        'over_frequency' => 'over-frequency',
        'unbalance' => 'unbalance',
        'rotation_check' => 'phase order',
        'dropout_delay_ms' => 'drop-out delay',
    ];

    /** @param string $path JSON Pointer within the settings */
    public static function label(string $path): string
    {
        if (isset(self::LABELS[$path])) {
            return self::LABELS[$path];
        }
        if (preg_match('#^/sensing/(normal|emergency)/(\w+)(?:/(dropout|pickup)_pct)?$#', $path, $part) !== 1) {
            return $path;
        }
        $side = $part[1] === 'normal' ? 'Utility' : 'Generator';
        $end = match ($part[3] ?? '') {
            'dropout' => ' drop-out',
            'pickup' => ' pick-up',
            default => '',
        };

        return "$side " . (self::SENSED[$part[2]] ?? $part[2]) . $end;
    }

    public static function value(string $path, mixed $value): string
    {
        return match (true) {
            $value === null => 'off',
            is_bool($value) => $value ? 'yes' : 'no',
            is_array($value) => implode(', ', array_map(
                static fn(string $key, mixed $item): string => str_replace(
                    ['_', 'dropout', 'pickup'],
                    [' ', 'drop-out', 'pick-up'],
                    (string) preg_replace('/_(ms|pct|kw)$/', '', $key),
                ) . ' ' . self::value("$path/$key", $item),
                array_map(strval(...), array_keys($value)),
                $value,
            )),
            str_ends_with($path, '_ms') && is_int($value) => self::seconds($value),
            str_ends_with($path, '_pct') && is_numeric($value) => "$value %",
            str_ends_with($path, '_kw') && is_numeric($value) => "$value kW",
            is_scalar($value) => (string) $value,
            default => '',
        };
    }

    /** Under 100 s with one decimal, more digits only where they are there; above that m:ss.s. */
    public static function seconds(int $ms): string
    {
        if ($ms >= 100_000) {
            return self::clock($ms);
        }

        return ($ms % 100 === 0 ? sprintf('%.1f', $ms / 1000) : rtrim(sprintf('%.3f', $ms / 1000), '0')) . "\u{202F}s";
    }

    /** A point in time, m:ss.s from the start. */
    public static function clock(int $ms): string
    {
        $tenths = intdiv($ms + 50, 100);

        return sprintf('%d:%02d.%d', intdiv($tenths, 600), intdiv($tenths % 600, 10), $tenths % 10);
    }
}
