<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\Device;

use Escapement\Core\Device\Register\LiveImage;
use Escapement\Core\Device\Register\Register;
use Escapement\Core\Device\Register\SettingsBlock;
use Escapement\Core\Device\Register\UnknownRegister;
use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Working;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\Wire\PlantReader;
use Escapement\Core\Wire\Reader;
use Escapement\Core\Wire\SettingsReader;

/** `register_image` on the wire: a sheet or a moment as registers, and back. Rule: docs/rules.md#register-image. */
final readonly class RegisterImageReader implements Reader
{
    private const KEYS = [
        'settings_encode' => ['mode', 'system', 'settings'], 'settings_decode' => ['mode', 'system', 'registers'],
        'live_encode' => ['mode', 'sample'], 'live_decode' => ['mode', 'registers'],
    ];
    private const MOST = 1e12;
    private const MOST_MS = 31_536_000_000;
    /** May be below nothing. */
    private const SIGNED = [
        'bus.kw', 'bus.kvar', 'bus.pf', 'generator.kw', 'generator.kvar', 'generator.pf', 'oil_c', 'coolant_c',
        'exhaust_c',
    ];
    private const LEGS = 3;

    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function answer(Node $node): array
    {
        $mode = $node->object()->required('mode')->oneOf(array_keys(self::KEYS));
        $in = (new Fields($node))->only(self::KEYS[$mode]);

        return (match ($mode) {
            'settings_encode' => $this->sheetAsRegisters($in),
            'settings_decode' => $this->registersAsSheet($in),
            'live_encode' => $this->momentAsRegisters($in),
            default => $this->registersAsMoment($in),
        })->toArray();
    }

    private function sheetAsRegisters(Fields $in): CalculationResult
    {
        $plant = (new PlantReader())->plant($in->at('system'));
        $settings = (new SettingsReader())->settings($in->at('settings'), $plant);
        [$registers, $rounded] = (new SettingsBlock())->encoded($settings);
        $working = new Working();
        foreach ($rounded as $path) {
            $working->add($path, 'kept in hundredths', $registers[(new SettingsBlock())->offsetOf($path)] / 100, '');
        }

        return self::result(['registers' => $registers], $rounded === [] ? [] : ['rounded'], $working);
    }

    private function registersAsSheet(Fields $in): CalculationResult
    {
        $plant = (new PlantReader())->plant($in->at('system'));
        $registers = self::registers($in, SettingsBlock::REGISTERS);
        $block = new SettingsBlock();
        $fault = $settings = null;
        $working = new Working();
        try {
            $sheet = json_encode($block->sheet($registers), JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION);
            $settings = (new SettingsReader())->settings(new Node(Node::fromJson($sheet)->value, '/settings'), $plant)->toWire();
        } catch (UnknownRegister $unknown) {
            $fault = ['path' => $unknown->path, 'offset' => $unknown->offset];
            $working->add('Fault', $unknown->getMessage(), $unknown->offset, '');
        } catch (BadInput $bad) {
            $fault = ['path' => $bad->path, 'offset' => $block->offsetOf(substr($bad->path, strlen('/settings/')))];
            $working->add('Fault', $bad->getMessage(), $fault['offset'], '');
        }

        return self::result(['settings' => $settings, 'fault' => $fault], $fault === null ? [] : ['refused'], $working);
    }

    private function momentAsRegisters(Fields $in): CalculationResult
    {
        $sample = $in->object('sample');
        $values = $alarms = $lamps = [];
        foreach ((new LiveImage())->map as $register) {
            match ($register->key) {
                'map_version' => null,
                'alarms' => $alarms = self::alarms($sample),
                'lamps' => $lamps = self::lamps($sample->object('lamps')),
                default => $values[$register->key] = self::value($sample, $register),
            };
        }
        [$registers, $clamped] = (new LiveImage())->encoded($values, $alarms, $lamps);
        $working = new Working();
        foreach ($clamped as $key) {
            $working->add($key, 'does not fit into its register', $values[$key], '');
        }

        return self::result(['registers' => $registers], $clamped === [] ? [] : ['clamped'], $working);
    }

    private function registersAsMoment(Fields $in): CalculationResult
    {
        $registers = self::registers($in, LiveImage::REGISTERS);
        if ($registers[0] !== LiveImage::MAP_VERSION) {
            throw $in->list('registers', LiveImage::REGISTERS, LiveImage::REGISTERS)[0]->bad('This version of the map is not known.');
        }

        return self::result(['sample' => (new LiveImage())->decoded($registers)], [], new Working());
    }

    /** @return list<int> */
    private static function registers(Fields $in, int $count): array
    {
        return array_map(static fn(Node $one): int => $one->integer(0, 0xFFFF), $in->list('registers', $count, $count));
    }

    /** @return list<string> */
    private static function alarms(Fields $sample): array
    {
        return array_map(
            static fn(Node $one): string => $one->oneOf(LiveImage::ALARMS),
            $sample->list('alarms', 0, count(LiveImage::ALARMS)),
        );
    }

    /** @return array<string, bool> */
    private static function lamps(Fields $in): array
    {
        return array_combine(LiveImage::LAMPS, array_map(static fn(string $lamp): bool => $in->bool($lamp), LiveImage::LAMPS));
    }

    /** @throws BadInput */
    private static function value(Fields $sample, Register $register): null|int|float|string
    {
        $parts = explode('.', $register->key);
        $node = self::needed($sample->node, $parts[0]);
        if (in_array($parts[0], ['bus', 'generator'], true)) {
            if ($node->isNull()) {
                return null;
            }
            $node = self::needed($node, $parts[1]);
        }
        $leg = end($parts);
        if (ctype_digit($leg) && ! $node->isNull()) {
            $legs = $node->list(1, self::LEGS);
            $node = $legs[(int) $leg] ?? new Node(null);
        }
        if ($register->key === 'moving') {
            return $node->bool() ? 'yes' : 'no';
        }
        if ($register->words !== [] && (! $node->isNull() || in_array($register->key, ['position', 'test'], true))) {
            return $node->oneOf($register->words);
        }
        $isSigned = $parts[0] === 'meter_kw' || in_array($register->key, self::SIGNED, true);

        return match (true) {
            $node->isNull() => null,
            $register->key === 't_ms' => $node->integer(0, self::MOST_MS),
            default => $node->number($isSigned ? -self::MOST : 0, self::MOST),
        };
    }

    /** A key that is not there is a fault; null says that it is not known. */
    private static function needed(Node $node, string $key): Node
    {
        return $node->object()->required($key);
    }

    /**
     * @param array<string, mixed> $values
     * @param list<string>         $ids
     */
    private static function result(array $values, array $ids, Working $working): CalculationResult
    {
        $findings = new Findings();
        foreach ($ids as $id) {
            $findings->raise("register-image/$id");
        }

        return new CalculationResult(
            $values + ['registers' => null, 'settings' => null, 'sample' => null, 'fault' => null],
            $findings->worstFirst(),
            $working->lines,
        );
    }
}
