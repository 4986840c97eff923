<?php

declare(strict_types=1);

namespace App\Stage\Bench;

use Escapement\Core\Simulation\SourceNames;

/** Lamps and meters at one moment, ready to print. */
final readonly class HandsRow
{
    private const ALARMS = [
        'lockout' => 'locked out', 'low_oil' => 'low oil pressure', 'high_coolant' => 'hot coolant', 'low_battery' => 'low battery',
        'low_fuel' => 'low fuel', 'overload' => 'overload', 'breaker_open' => 'breaker open', 'not_in_auto' => 'not in auto',
        'door_open' => 'door open',
    ];

    public string $time;
    /** @var array<string, bool> by the word on the panel */
    public array $lamps;
    public string $alarms;
    public string $busV;
    public string $busHz;
    public string $busKw;
    public string $setHz;
    public string $meterKw;

    /**
     * @param array<string, mixed> $sample as `bench_play` answers it
     * @param list<string>         $acts   what was done in that millisecond
     * @param list<string>         $events what happened in it
     */
    public function __construct(array $sample, public array $acts, public array $events, SourceNames $names)
    {
        $this->time = number_format((int) self::number($sample['t_ms']) / 1000, 3) . ' s';
        $lit = is_array($sample['lamps']) ? $sample['lamps'] : [];
        $lamps = [];
        foreach ([
            'normal_available' => ucfirst($names->normal) . ' there', 'on_normal' => "On $names->normal",
            'emergency_available' => ucfirst($names->emergency) . ' there', 'on_emergency' => "On $names->emergency",
            'engine_running' => 'Engine', 'alarm' => 'Alarm',
        ] as $lamp => $word) {
            $lamps[$word] = ($lit[$lamp] ?? false) === true;
        }
        $this->lamps = $lamps;
        $alarms = is_array($sample['alarms']) ? $sample['alarms'] : [];
        $this->alarms = implode(', ', array_map(
            static fn(mixed $one): string => is_string($one) ? self::ALARMS[$one] ?? $one : '',
            $alarms,
        ));
        $volts = array_map(self::number(...), is_array($sample['v_bus']) ? $sample['v_bus'] : []);
        $this->busV = number_format($volts === [] ? 0.0 : min($volts), 1);
        $this->busHz = number_format(self::number($sample['hz_bus']), 2);
        $this->busKw = number_format(self::number(is_array($sample['bus']) ? $sample['bus']['kw'] : 0), 1);
        $this->setHz = $sample['hz_generator'] === null ? '' : number_format(self::number($sample['hz_generator']), 2);
        $meter = is_array($sample['meter_kw']) ? $sample['meter_kw'] : [];
        $this->meterKw = number_format(array_sum(array_map(self::number(...), $meter)), 1);
    }

    private static function number(mixed $value): float
    {
        return is_int($value) || is_float($value) ? (float) $value : 0.0;
    }
}
