<?php

declare(strict_types=1);

namespace Escapement\Core\Bench;

/** One bit that a hand can set on a bench, and what it stands for. Rule: docs/rules.md#bench-registers. */
final readonly class Coil
{
    /**
     * @param array<string, mixed>  $on  input of `bench_play` without its time
     * @param ?array<string, mixed> $off null: writing 0 does nothing, and it reads 0
     */
    public function __construct(public int $address, public string $name, public array $on, public ?array $off) {}

    /** Where it stands on a bench that is played. */
    public function isOn(LiveBench $bench): bool
    {
        $panel = $bench->motion->panel;
        $state = $bench->motion->state;
        $int = fn(string $key): int => is_int($this->on[$key] ?? null) ? $this->on[$key] : 0;

        return match ($this->on['do']) {
            'utility_disconnect' => $bench->script()->isDisconnected(),
            'fuel' => $panel->fuelBlockedMs !== null,
            'generator_breaker' => $panel->isBreakerClosed,
            'panel_main' => $bench->script()->isPanelMainClosed(),
            'selector' => $bench->motion->simulation->state()->isAuto,
            'test' => $state->test === (($this->on['with_load'] ?? false) === true ? 'load' : 'no_load'),
            'hand_start' => $panel->isHandStarted,
            'door' => $panel->isDoorOpen,
            'charger' => $panel->isChargerOn,
            'bank' => $panel->elements[$int('element')] ?? false,
            'ct' => $panel->reversed[$int('phase')] ?? false,
            default => false,
        };
    }
}
