<?php

declare(strict_types=1);

namespace App\Stage\Circuit;

/** What happened in a played circuit, in a few words. */
final readonly class PlayWords
{
    /** @param array<string, string> $about names and figures of the event */
    public static function of(string $kind, array $about): string
    {
        $device = $about['device'] ?? '';
        $supply = $about['supply'] ?? '';
        $seconds = static fn(string $key): string => number_format((int) ($about[$key] ?? 0) / 1000, 1, '.', '') . ' s';

        return match ($kind) {
            'main_closed' => "$device closes on $supply",
            'main_opened' => "$device opens",
            'picked' => "$device picks up",
            'dropped' => "$device drops",
            'tripped' => "$device trips",
            'ready' => "$device finds its source good",
            'moved' => "$device moves to " . ($about['position'] ?? ''),
            'both_closed_begin' => 'Both sources closed',
            'both_closed_end' => 'No longer both closed',
            'engine_called' => "Engine of $supply called",
            'engine_released' => "Engine of $supply no longer called",
            'crank_started' => "$supply cranks, attempt " . ($about['attempt'] ?? ''),
            'crank_failed' => "$supply does not fire, attempt " . ($about['attempt'] ?? ''),
            'engine_fired' => "$supply fires",
            'engine_at_speed' => "$supply has voltage",
            'cooldown_started' => "$supply cools down",
            'engine_stopped' => "$supply stops",
            'engine_locked_out' => "$supply locked out: " . ($about['reason'] ?? ''),
            'engine_reset' => "$supply reset",
            'hand_refused' => 'The hand movement is refused',
            'hunting' => "$device does not come to rest",
            'timer_started' => "$device starts timing, " . $seconds('duration_ms'),
            'timer_cancelled' => "$device stops timing after " . $seconds('elapsed_ms'),
            'lamp_on' => "Lamp $device on",
            'lamp_off' => "Lamp $device off",
            'bus_live' => 'Load has voltage',
            'bus_dead' => 'Load without power',
            default => str_replace('_', ' ', $kind),
        };
    }
}
