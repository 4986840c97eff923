<?php

declare(strict_types=1);

namespace App\Stage\Bench;

use App\Device\NoDevice;
use App\Device\Refused;
use App\Drawing\Bench\PanelMoment;
use App\Drawing\Bench\PanelPicture;
use App\Drawing\Bench\RecentStrip;
use App\Models\Bench;
use App\Models\TransferSwitch;
use Escapement\Core\Bench\Coil;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\PlantKind;

/** What a bench shows now, as its daemon tells it, ready to print. */
final readonly class LivePanel
{
    private const LAMPS = [
        'normal_available' => '{U} available', 'emergency_available' => '{G} available', 'on_normal' => 'On {U}',
        'on_emergency' => 'On {G}',
        'engine_running' => 'Engine runs', 'test' => 'Test', 'not_in_auto' => 'Not in auto', 'alarm' => 'Alarm',
    ];
    public const ALARMS = [
        'lockout' => 'locked out', 'low_oil' => 'low oil pressure', 'high_coolant' => 'hot coolant', 'low_battery' => 'low battery',
        'low_fuel' => 'low fuel', 'overload' => 'overload', 'breaker_open' => 'generator breaker open', 'not_in_auto' => 'not in automatic',
        'door_open' => 'door open',
    ];
    private const TIMERS = [
        'normal_dropout' => 'loss of the first source', 'emergency_dropout' => 'loss of the second source', 'start' => 'start delay',
        'transfer' => 'transfer delay', 'return' => 'return delay', 'cooldown' => 'cool-down', 'min_run' => 'shortest run',
        'off' => 'centre-off time',
    ];
    private const RECENT_MS = 120_000;
    /** Levers of the left side, by their coils: words for 1 and 0. */
    private const LEVERS = [
        0 => ['{U} disconnect', 'Open', 'Closed'], 1 => ['Fuel', 'Blocked', 'Free'], 2 => ['Generator breaker', 'Closed', 'Open'],
        3 => ['Panel main', 'Closed', 'Open'], 4 => ['Selector', 'Auto', 'Off'], 10 => ['Door', 'Open', 'Shut'],
        11 => ['Charger', 'On', 'Off'],
    ];

    public int $tMs;
    public int $rate;

    /**
     * @param array<string, mixed>       $values as the bench tells them
     * @param list<array<string, mixed>> $log    of the last minutes
     */
    private function __construct(public TransferSwitch $switch, public Bench $bench, private array $values, private array $log)
    {
        $this->tMs = self::int($values['t_ms'] ?? 0);
        $this->rate = self::int($values['rate'] ?? 0);
    }

    /**
     * @throws NoDevice
     * @throws Refused
     */
    public static function read(TransferSwitch $switch, Bench $bench): self
    {
        $client = BenchDesk::client($bench, 'viewer');
        $values = $client->ask('read', ['names' => '*']) + $client->ask('read', ['names' => ['hands']]);
        $log = $client->ask('log', ['limit' => 1000]);
        $last = self::int($log['last_seq'] ?? 0);
        if ($last > 1000) {
            $log = $client->ask('log', ['from_seq' => $last - 999, 'limit' => 1000]);
        }
        /** @var list<array<string, mixed>> $entries */
        $entries = is_array($log['entries'] ?? null) ? array_values($log['entries']) : [];

        return new self($switch, $bench, $values, $entries);
    }

    public function kind(): InstallationKind
    {
        return $this->switch->site->installation;
    }

    public function hasGenerator(): bool
    {
        return $this->values['engine'] !== null;
    }

    public function isMobile(): bool
    {
        return $this->switch->plant['kind'] === PlantKind::Mobile->value;
    }

    public function picture(): string
    {
        $v = fn(string $key): array => $this->floats($key);
        $loads = [];
        $isOn = $this->values['position'] !== 'off';
        foreach ($this->loads() as $id => $kw) {
            $loads[] = ['name' => $id, 'kw' => $kw, 'isOn' => $kw > 0 && $isOn];
        }
        [$first, $second] = $this->letters();
        $position = $this->values['position'];

        return (new PanelPicture(new PanelMoment(
            count($v('v_normal')),
            $this->hasGenerator() ? $this->letters() : ['First supply', 'Second supply'],
            [$v('v_normal'), $this->hasGenerator() ? $v('v_generator') : $v('v_emergency')],
            [$this->float('hz_normal'), $this->float($this->hasGenerator() ? 'hz_generator' : 'hz_emergency')],
            $this->hasGenerator(),
            [! ($this->coils()[0] ?? false), $this->coils()[2] ?? true],
            $position === 'normal' || $position === 'emergency' ? $position : 'off',
            $this->values['moving'] === true,
            $loads,
            $this->bank() === [] ? null : [array_sum(array_map(
                static fn(array $one): float => $one['isOn'] ? $one['kw'] : 0.0,
                $this->bank(),
            )), array_sum(array_column($this->bank(), 'kw'))],
            $this->coils()[3] ?? true,
            $this->switch->name,
        )))->svg("$first " . ($this->lamp('on_normal') ? 'carries the loads' : 'does not carry the loads') . ", $second "
            . ($this->lamp('on_emergency') ? 'carries them' : 'does not') . '.');
    }

    public function strip(): string
    {
        return (new RecentStrip($this->log, $this->tMs, self::RECENT_MS, $this->letters(), $this->hasGenerator(), [
            $this->lamp('normal_available') ? 'good' : 'lost',
            $this->hasGenerator() ? ($this->lamp('engine_running') ? 'runs' : 'stands')
                : ($this->lamp('emergency_available') ? 'good' : 'lost'),
            is_string($this->values['position']) ? $this->values['position'] : 'off',
        ]))->svg();
    }

    /** @return list<array{name: string, isLit: bool}> */
    public function lamps(): array
    {
        [$first, $second] = $this->hasGenerator() ? ['U', 'G'] : ['U1', 'U2']; // as on the picture beside it
        $lamps = [];
        foreach (self::LAMPS as $id => $words) {
            if ($this->hasGenerator() || $id !== 'engine_running') {
                $lamps[] = ['name' => strtr($words, ['{U}' => $first, '{G}' => $second]), 'isLit' => $this->lamp($id)];
            }
        }

        return $lamps;
    }

    /** @return list<string> */
    public function alarms(): array
    {
        $alarms = is_array($this->values['alarms']) ? array_filter($this->values['alarms'], is_string(...)) : [];

        return array_values(array_map(static fn(string $one): string => self::ALARMS[$one] ?? $one, $alarms));
    }

    /** @return list<string> what is being timed, to the second */
    public function timers(): array
    {
        $timers = [];
        foreach (is_array($this->values['timers']) ? $this->values['timers'] : [] as $one) {
            if (is_array($one) && is_string($one['timer'] ?? null)) {
                $timers[] = ucfirst(self::TIMERS[$one['timer']] ?? str_replace('_', ' ', $one['timer'])) . ', '
                    . (int) ceil(self::int($one['remaining_ms'] ?? 0) / 1000) . ' s to go';
            }
        }

        return $timers;
    }

    /** @return list<array{leg: string, v: string, a: string, kw: string}> of the meter on the load bus */
    public function meter(): array
    {
        $bus = is_array($this->values['bus']) ? $this->values['bus'] : [];
        $amps = is_array($bus['a'] ?? null) ? array_values($bus['a']) : [];
        $kw = $this->floats('meter_kw');

        return array_map(fn(float $v, int $leg): array => [
            'leg' => 'L' . ($leg + 1), 'v' => number_format($v, 1),
            'a' => number_format(is_numeric($amps[$leg] ?? null) ? (float) $amps[$leg] : 0.0, 1),
            'kw' => number_format($kw[$leg] ?? 0.0, 2),
        ], $this->floats('v_bus'), array_keys($this->floats('v_bus')));
    }

    /** @return list<array{string, string}> name and figure with its unit */
    public function figures(): array
    {
        $bus = is_array($this->values['bus']) ? $this->values['bus'] : [];
        $figures = [
            ['Power', number_format(array_sum($this->floats('meter_kw')), 1) . ' kW'], // as its transformers tell it
            ['Factor', ($bus['pf'] ?? null) === null ? 'none' : number_format(self::number($bus['pf']), 3)],
            ['Frequency', number_format($this->float('hz_bus'), 2) . ' Hz'],
        ];
        if ($this->hasGenerator()) {
            array_push(
                $figures,
                ['Engine', str_replace('_', ' ', is_string($this->values['engine']) ? $this->values['engine'] : '')],
                ['Oil', number_format($this->float('oil_kpa'), 0) . ' kPa'],
                ['Coolant', number_format($this->float('coolant_c'), 0) . ' °C'],
                ['Exhaust', number_format($this->float('exhaust_c'), 0) . ' °C'],
                ['Battery', number_format($this->float('battery_v'), 1) . ' V'],
                ['Fuel', $this->fuel()],
                ['Hours', number_format($this->float('run_h'), 2) . ' h'],
                ['Starts', (string) self::int($this->values['starts'] ?? 0)],
            );
        }

        return $figures;
    }

    private function fuel(): string
    {
        return match (true) {
            $this->values['fuel_pct'] !== null => number_format($this->float('fuel_pct'), 1) . ' %',
            $this->switch->fuel?->value === 'natural_gas' => 'piped',
            default => 'not known',
        };
    }

    /** @return list<array{name: string, coil: int, states: list<array{words: string, on: bool, isSo: bool}>}> levers with two places */
    public function levers(): array
    {
        $levers = [];
        [$first] = $this->letters();
        foreach (self::LEVERS as $coil => [$name, $on, $off]) {
            if (isset($this->coils()[$coil])) {
                $is = $this->coils()[$coil];
                $levers[] = ['name' => strtr($name, ['{U}' => $this->isMobile() ? 'Shore plug' : $first]), 'coil' => $coil, 'states' => [
                    ['words' => $off, 'on' => false, 'isSo' => ! $is], ['words' => $on, 'on' => true, 'isSo' => $is],
                ]];
            }
        }

        return $levers;
    }

    /** @return list<array{name: string, coil: int, on: bool, isSo: bool}> what is pressed: tests, starts by hand, faults */
    public function presses(): array
    {
        $presses = [
            5 => 'Test, no load', 6 => 'Test with load', 9 => 'Start by hand', 8 => 'Trip the engine', 7 => 'Reset the lock-out',
        ];
        $found = [];
        foreach (array_intersect_key($presses, $this->coils()) as $coil => $name) {
            $isSo = $this->coils()[$coil];
            $end = $coil === 9 ? 'Stop by hand' : 'End the test';
            $found[] = ['name' => $isSo ? $end : $name, 'coil' => $coil, 'on' => ! $isSo, 'isSo' => $isSo];
        }

        return $found;
    }

    /** @return list<array{place: int, coil: int, kw: float, isOn: bool}> elements of the load bank */
    public function bank(): array
    {
        $bench = is_array($this->values['bench']) ? $this->values['bench'] : [];
        $elements = data_get($bench, 'bank.elements_kw');
        $elements = is_array($elements) ? $elements : [];

        return array_values(array_map(fn(mixed $kw, int $place): array => [
            'place' => $place + 1, 'coil' => 16 + $place, 'kw' => self::number($kw), 'isOn' => $this->coils()[16 + $place] ?? false,
        ], $elements, array_keys($elements)));
    }

    /** @return list<array{leg: int, coil: int, isReversed: bool}> */
    public function transformers(): array
    {
        return array_values(array_map(
            fn(int $coil): array => ['leg' => $coil - 47, 'coil' => $coil, 'isReversed' => $this->coils()[$coil]],
            array_values(array_filter([48, 49, 50], fn(int $coil): bool => isset($this->coils()[$coil]))),
        ));
    }

    /** @return array<string, list<float>> knobs by the source that has some, volts by leg */
    public function knobs(): array
    {
        $hands = $this->hands();

        return ['utility' => self::list($hands['utility'] ?? [])]
            + ($this->hasGenerator() ? [] : ['emergency' => self::list($hands['emergency'] ?? [])]);
    }

    public function hertzOf(string $source): float
    {
        return $this->float($source === 'utility' ? 'hz_normal' : 'hz_emergency');
    }

    /** @return array<string, float> kW by load, as its knob stands */
    public function loads(): array
    {
        $loads = is_array($this->hands()['loads'] ?? null) ? $this->hands()['loads'] : [];

        return array_combine(array_map(strval(...), array_keys($loads)), array_map(self::number(...), array_values($loads)));
    }

    /** The handle is there on switches with one. */
    public function hasHandle(): bool
    {
        return ! $this->isMobile();
    }

    /** @return array{string, string} how the two sources are called on the panel */
    public function letters(): array
    {
        return $this->isMobile() ? ['Shore', 'Generator'] : ($this->hasGenerator() ? ['Utility', 'Generator'] : ['First', 'Second']);
    }

    /** @return array<int, bool> */
    private function coils(): array
    {
        $coils = is_array($this->hands()['coils'] ?? null) ? $this->hands()['coils'] : [];

        return array_map(static fn(mixed $one): bool => $one === true, $coils);
    }

    /** @return array<string, mixed> */
    private function hands(): array
    {
        return is_array($this->values['hands'] ?? null) ? $this->values['hands'] : [];
    }

    private function lamp(string $id): bool
    {
        return is_array($this->values['lamps']) && ($this->values['lamps'][$id] ?? false) === true;
    }

    private function float(string $key): float
    {
        return self::number($this->values[$key] ?? 0);
    }

    /** @return list<float> */
    private function floats(string $key): array
    {
        return self::list($this->values[$key] ?? []);
    }

    /** @return list<float> */
    private static function list(mixed $values): array
    {
        return is_array($values) ? array_values(array_map(self::number(...), $values)) : [];
    }

    private static function number(mixed $value): float
    {
        return is_numeric($value) ? (float) $value : 0.0;
    }

    private static function int(mixed $value): int
    {
        return is_int($value) ? $value : 0;
    }
}
