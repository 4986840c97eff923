<?php

declare(strict_types=1);

namespace Escapement\Core\Device\Register;

/** What a device shows at one moment, as its input registers and back. Rule: docs/rules.md#register-image. */
final readonly class LiveImage
{
    public const REGISTERS = 60;
    public const MAP_VERSION = 1;
    /** In the order of their bits. */
    public const ALARMS = [
        'lockout', 'low_oil', 'high_coolant', 'low_battery', 'low_fuel', 'overload', 'breaker_open', 'not_in_auto', 'door_open',
    ];
    public const LAMPS = [
        'normal_available', 'emergency_available', 'on_normal', 'on_emergency', 'engine_running', 'test', 'not_in_auto', 'alarm',
    ];
    private const LEGS = 3;

    /** @var list<Register> */
    public array $map;

    public function __construct()
    {
        /** @var list<Register> $map */
        $map = require __DIR__ . '/../../../data/live_registers.php';
        $this->map = $map;
    }

    /**
     * @param array<string, null|int|float|string> $sample by the keys of the map; what is missing is not known
     * @param list<string>                         $alarms
     * @param array<string, bool>                  $lamps
     *
     * @return array{list<int>, list<string>} the registers, and what did not fit and was clamped
     */
    public function encoded(array $sample, array $alarms, array $lamps): array
    {
        $registers = [];
        $clamped = [];
        foreach ($this->map as $register) {
            $value = $sample[$register->key] ?? null;
            $place = is_string($value) ? array_search($value, $register->words, true) : false;
            $raw = match (true) {
                $register->key === 'map_version' => self::MAP_VERSION,
                $register->key === 'alarms' => self::bits(array_map(
                    static fn(string $alarm): bool => in_array($alarm, $alarms, true),
                    self::ALARMS,
                )),
                $register->key === 'lamps' => self::bits(array_map(static fn(string $lamp): bool => $lamps[$lamp] ?? false, self::LAMPS)),
                is_string($value) => $place === false ? null : (int) $place,
                default => $register->rawOf($value),
            };
            $told = $raw === null ? null : $register->type->clamped($raw);
            if ($told !== $raw) {
                $clamped[] = $register->key;
            }
            array_push($registers, ...$register->type->words($told));
        }

        return [$registers, $clamped];
    }

    /**
     * A moment as `bench_play` samples it.
     *
     * @param array<string, mixed> $sample
     *
     * @return list<int>
     */
    public function ofSample(array $sample): array
    {
        $values = [];
        foreach ($this->map as $register) {
            $value = $sample;
            foreach (explode('.', $register->key) as $part) {
                $value = is_array($value) ? $value[$part] ?? null : null;
            }
            $values[$register->key] = match (true) {
                is_bool($value) => $value ? 'yes' : 'no',
                is_int($value), is_float($value), is_string($value) => $value,
                default => null,
            };
        }
        $alarms = array_values(array_filter((array) ($sample['alarms'] ?? []), is_string(...)));
        $lit = is_array($sample['lamps'] ?? null) ? $sample['lamps'] : [];
        $lamps = array_combine(self::LAMPS, array_map(static fn(string $lamp): bool => ($lit[$lamp] ?? false) === true, self::LAMPS));

        return $this->encoded($values, $alarms, $lamps)[0];
    }

    /**
     * @param list<int> $registers
     *
     * @return array<string, mixed> the sample; what the registers do not know is null
     */
    public function decoded(array $registers): array
    {
        $flat = [];
        foreach ($this->map as $register) {
            $value = $register->value($registers);
            $flat[$register->key] = $register->words === [] ? $value : ($register->words[(int) ($value ?? -1)] ?? null);
        }
        $legs = static fn(string $key): array => array_map(
            static fn(int $leg): null|int|float|string => $flat["$key.$leg"],
            range(0, self::LEGS - 1),
        );
        $power = static fn(string $at): array => [
            'kw' => $flat["$at.kw"], 'kvar' => $flat["$at.kvar"], 'pf' => $flat["$at.pf"], 'a' => $legs("$at.a"),
        ];
        $sample = [];
        foreach ($this->map as $register) {
            $parts = explode('.', $register->key);
            $sample[$parts[0]] ??= match (true) {
                in_array($parts[0], ['bus', 'generator'], true) => $power($parts[0]),
                count($parts) > 1 => $legs($parts[0]),
                $register->key === 'moving' => $flat['moving'] === null ? null : $flat['moving'] === 'yes',
                $register->key === 'alarms' => self::named(self::ALARMS, $flat['alarms']),
                $register->key === 'lamps' => self::lit($flat['lamps']),
                default => $flat[$register->key],
            };
        }
        unset($sample['map_version']);

        return $sample;
    }

    /** @param list<bool> $states */
    private static function bits(array $states): int
    {
        $bits = 0;
        foreach ($states as $bit => $isSet) {
            $bits |= $isSet ? 1 << $bit : 0;
        }

        return $bits;
    }

    /**
     * @param list<string> $names
     *
     * @return ?list<string>
     */
    private static function named(array $names, null|int|float|string $bits): ?array
    {
        return $bits === null ? null : array_values(array_filter(
            $names,
            static fn(int $bit): bool => ((int) $bits >> $bit & 1) === 1,
            ARRAY_FILTER_USE_KEY,
        ));
    }

    /** @return ?array<string, bool> */
    private static function lit(null|int|float|string $bits): ?array
    {
        $lit = self::named(self::LAMPS, $bits);

        return $lit === null ? null : array_combine(
            self::LAMPS,
            array_map(static fn(string $lamp): bool => in_array($lamp, $lit, true), self::LAMPS),
        );
    }
}
