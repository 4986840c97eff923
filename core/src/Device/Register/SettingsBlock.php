<?php

declare(strict_types=1);

namespace Escapement\Core\Device\Register;

use Escapement\Core\Settings\Settings;
use Escapement\Core\Settings\Transition;

/** A settings sheet as the block of registers that a device keeps, and back. Rule: docs/rules.md#register-image. */
final readonly class SettingsBlock
{
    public const REGISTERS = 72;
    public const LAYOUT = 1;
    private const FLAGS_AT = 1;
    /** In the order of their bits, by the path on the sheet. */
    private const FLAGS = [
        'transition', 'commit_to_transfer', 'sensing/normal/rotation_check', 'sensing/emergency/rotation_check', 'exercise',
        'exercise/with_load', 'load_shed',
    ];
    private const MAY_BE_ABSENT = ['start_delay_ms', 'return_delay_ms', 'cooldown_ms'];
    private const SLACK = 1e-9;

    /** @var list<Register> */
    private array $map;

    public function __construct()
    {
        /** @var list<Register> $map */
        $map = require __DIR__ . '/../../../data/settings_registers.php';
        $this->map = $map;
    }

    /** @return array{list<int>, list<string>} the registers, and the paths of what they cannot keep in full */
    public function encoded(Settings $settings): array
    {
        $sheet = self::flat($settings->toArray());
        $registers = [self::LAYOUT, $this->flags($settings)];
        $rounded = [];
        foreach ($this->map as $register) {
            $value = $sheet[$register->key] ?? null;
            $value = is_int($value) || is_float($value) ? $value : null;
            $hundredths = $register->places === 0 ? 0 : (float) $value * 10 ** $register->places;
            if (abs($hundredths - round($hundredths)) > self::SLACK) {
                $rounded[] = $register->key;
            }
            $isAbsent = $value === null && in_array($register->key, self::MAY_BE_ABSENT, true);
            array_push($registers, ...$register->type->words($isAbsent ? null : $register->rawOf($value ?? 0)));
        }

        return [$registers, $rounded];
    }

    /**
     * The sheet as it lies there: nothing is judged, but for layout and flags.
     *
     * @param list<int> $registers
     *
     * @return array<string, mixed> as it would be sent
     *
     * @throws UnknownRegister at a layout or a flag that this block does not have
     */
    public function sheet(array $registers): array
    {
        if ($registers[0] !== self::LAYOUT) {
            throw new UnknownRegister('/layout', 0, "Layout $registers[0] is not known.");
        }
        $flags = array_map(static fn(int $bit): bool => ($registers[self::FLAGS_AT] >> $bit & 1) === 1, array_keys(self::FLAGS));
        if ($registers[self::FLAGS_AT] >> count(self::FLAGS) !== 0) {
            throw new UnknownRegister('/flags', self::FLAGS_AT, 'A flag is set that is not known.');
        }
        $is = array_combine(self::FLAGS, $flags);
        $values = [];
        foreach ($this->map as $register) {
            $values[$register->key] = $register->value($registers);
        }
        $delays = array_filter(
            array_filter($values, static fn(string $key): bool => ! str_contains($key, '/'), ARRAY_FILTER_USE_KEY),
            static fn(mixed $value, string $key): bool => $value !== null || ! in_array($key, self::MAY_BE_ABSENT, true),
            ARRAY_FILTER_USE_BOTH,
        );

        return [
            'sensing' => [
                'normal' => $this->sensing($values, 'normal', $is['sensing/normal/rotation_check']),
                'emergency' => $this->sensing($values, 'emergency', $is['sensing/emergency/rotation_check']),
            ],
            'transition' => $is['transition'] ? Transition::Delayed->value : Transition::Open->value,
            'commit_to_transfer' => $is['commit_to_transfer'],
            'exercise' => $is['exercise'] ? self::under($values, 'exercise/') + ['with_load' => $is['exercise/with_load']] : null,
            'load_shed' => $is['load_shed'] ? self::under($values, 'load_shed/') : null,
        ] + $delays;
    }

    /** @param string $path of a value or of a group of them on the sheet, as `sensing/normal/under_voltage` */
    public function offsetOf(string $path): int
    {
        foreach ($this->map as $register) {
            if ($register->key === $path || str_starts_with($register->key, "$path/")) {
                return $register->address;
            }
        }

        return self::FLAGS_AT; // transition, commit to transfer, rotation check
    }

    private function flags(Settings $settings): int
    {
        $flags = 0;
        foreach ([
            $settings->transition === Transition::Delayed, $settings->commitToTransfer, $settings->normal->rotationCheck,
            $settings->emergency->rotationCheck, $settings->exercise !== null, $settings->exercise?->withLoad === true,
            $settings->loadShed !== null,
        ] as $bit => $isSet) {
            $flags |= $isSet ? 1 << $bit : 0;
        }

        return $flags;
    }

    /**
     * @param array<string, null|int|float> $values
     *
     * @return array<string, mixed>
     */
    private function sensing(array $values, string $side, bool $isRotationChecked): array
    {
        $limits = $sensing = [];
        foreach (self::under($values, "sensing/$side/") as $key => $value) {
            $parts = explode('/', $key);
            if (isset($parts[1])) {
                $limits[$parts[0]][$parts[1]] = $value;
            } else {
                $sensing[$key] = $value;
            }
        }
        $none = ['dropout_pct' => 0, 'pickup_pct' => 0];

        return array_map(static fn(array $limit): ?array => $limit === $none ? null : $limit, $limits)
            + ['rotation_check' => $isRotationChecked] + $sensing;
    }

    /**
     * @param array<string, null|int|float> $values
     *
     * @return array<string, null|int|float> of those under the prefix, without it
     */
    private static function under(array $values, string $prefix): array
    {
        $under = [];
        foreach ($values as $key => $value) {
            if (str_starts_with($key, $prefix)) {
                $under[substr($key, strlen($prefix))] = $value;
            }
        }

        return $under;
    }

    /**
     * @param array<array-key, mixed> $sheet
     *
     * @return array<string, mixed> by path
     */
    private static function flat(array $sheet, string $at = ''): array
    {
        $flat = [];
        foreach ($sheet as $key => $value) {
            $flat += is_array($value) ? self::flat($value, "$at$key/") : [$at . $key => $value];
        }

        return $flat;
    }
}
