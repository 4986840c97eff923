<?php

declare(strict_types=1);

namespace App\Stage\Bench;

/** What a hand did, in a few words. */
final readonly class HandsWords
{
    /** @param array<string, mixed> $input as `bench_play` reads it */
    public static function of(array $input): string
    {
        return match ($input['do']) {
            'utility_disconnect' => $input['open'] === true ? 'Utility disconnect opened' : 'Utility disconnect closed',
            'panel_main' => $input['closed'] === true ? 'Panel main closed' : 'Panel main opened',
            'ct' => $input['reversed'] === true ? 'A current transformer is reversed' : 'The current transformer is turned back',
            'generator_breaker' => $input['closed'] === true ? 'Breaker of the set closed' : 'Breaker of the set opened',
            'fuel' => $input['blocked'] === true ? 'Fuel shut off' : 'Fuel opened',
            'engine_reset' => 'Lock-out reset',
            'hand_start' => 'Generator started by hand',
            'hand_stop' => 'Generator stopped by hand',
            'selector' => $input['to'] === 'off' ? 'Selector to off' : 'Selector to auto',
            'handle' => 'Handle pulled',
            default => '',
        };
    }
}
