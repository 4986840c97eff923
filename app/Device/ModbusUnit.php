<?php

declare(strict_types=1);

namespace App\Device;

use Escapement\Core\Bench\Coil;
use Escapement\Core\Device\Register\LiveImage;
use Escapement\Core\Device\Register\Register;
use Escapement\Core\Device\Register\RegisterType;
use Escapement\Core\Device\Register\SettingsBlock;
use Escapement\Core\Device\Register\UnknownRegister;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Plant\Side;

/**
 * One installation as a Modbus unit: its coils, discrete inputs and registers. A request changes all of what it names or nothing.
 * Rule: docs/rules.md#bench-registers. Format: docs/formats/modbus.md.
 */
final class ModbusUnit
{
    public const ACTIVE = 1000;
    public const STAGING = 1200;
    public const CONTROL = 1300;
    public const KNOBS = 1400;
    public const RATE = 1410;
    public const LOG = 60;
    private const MOST_BITS = 2000;
    private const MOST_REGISTERS = 125;
    private const MOST_BITS_WRITTEN = 1968;
    private const MOST_REGISTERS_WRITTEN = 123;
    private const NO_FAULT = 0xFFFF;
    private const NO_REVISION = 0xFFFFFFFF;
    private const NOT_YET = 0;
    private const ACCEPTED = 1;
    private const REFUSED = 2;
    private const WRONG_REVISION = 3;
    private const ALARMS_AT = 16;
    private const VOLT_PLACES = 1;
    private const HZ_PLACES = 2;

    /** @var array<int, Coil> */
    private array $coils = [];
    /** @var list<int> */
    private array $staging;
    private int $result = self::NOT_YET;
    private int $faultOffset = self::NO_FAULT;
    private int $expectedRevision = self::NO_REVISION;

    public function __construct(private readonly Installation $installation, private readonly DeviceName $name)
    {
        /** @var list<Coil> $coils */
        $coils = require __DIR__ . '/../../core/data/bench_coils.php';
        foreach ($coils as $coil) {
            if ($installation->takes($coil)) {
                $this->coils[$coil->address] = $coil;
            }
        }
        $this->staging = $installation->settingsRegisters();
    }

    /** @return string the answer, or the exception */
    public function answer(string $pdu): string
    {
        $function = $pdu === '' ? 0 : ord($pdu[0]);
        try {
            $data = substr($pdu, 1);

            return chr($function) . match ($function) {
                1, 2 => $this->readBits($function, $data),
                3, 4 => $this->readRegisters($function, $data),
                5 => $this->writeCoil($data),
                6 => $this->writeRegister($data),
                15 => $this->writeCoils($data),
                16 => $this->writeRegisters($data),
                43 => $this->name->answer($data),
                default => throw new ModbusFault(ModbusFault::FUNCTION),
            };
        } catch (ModbusFault $fault) {
            return chr($function | 0x80) . chr($fault->number);
        }
    }

    private function readBits(int $function, string $data): string
    {
        [$at, $count] = self::span($data, self::MOST_BITS);
        $bits = $function === 1 ? $this->coilBits($at, $count) : $this->discreteBits($at, $count);
        $bytes = '';
        foreach (array_chunk($bits, 8) as $eight) {
            $byte = 0;
            foreach ($eight as $place => $bit) {
                $byte |= $bit ? 1 << $place : 0;
            }
            $bytes .= chr($byte);
        }

        return chr(strlen($bytes)) . $bytes;
    }

    private function readRegisters(int $function, string $data): string
    {
        [$at, $count] = self::span($data, self::MOST_REGISTERS);
        $registers = $function === 4 ? $this->inputs($at, $count) : $this->holding($at, $count);

        return chr(2 * $count) . pack('n*', ...$registers);
    }

    /** @return list<bool> */
    private function coilBits(int $at, int $count): array
    {
        $live = $this->installation->live();

        return array_map(fn(int $address): bool => $this->coil($address)->isOn($live), range($at, $at + $count - 1));
    }

    private function coil(int $address): Coil
    {
        return $this->coils[$address] ?? throw new ModbusFault(ModbusFault::ADDRESS);
    }

    /** @return list<bool> */
    private function discreteBits(int $at, int $count): array
    {
        $sample = $this->installation->sample();
        $lamps = is_array($sample['lamps']) ? $sample['lamps'] : [];
        $alarms = is_array($sample['alarms']) ? $sample['alarms'] : [];
        $bits = [];
        for ($address = $at; $address < $at + $count; $address++) {
            $lamp = LiveImage::LAMPS[$address] ?? null;
            $alarm = $address < self::ALARMS_AT ? null : LiveImage::ALARMS[$address - self::ALARMS_AT] ?? null;
            $bits[] = match (true) {
                $lamp !== null => ($lamps[$lamp] ?? false) === true,
                $alarm !== null => in_array($alarm, $alarms, true),
                default => throw new ModbusFault(ModbusFault::ADDRESS),
            };
        }

        return $bits;
    }

    /** @return list<int> */
    private function inputs(int $at, int $count): array
    {
        $all = $this->installation->inputRegisters();

        return $at + $count > count($all) ? throw new ModbusFault(ModbusFault::ADDRESS) : array_slice($all, $at, $count);
    }

    /** @return list<int> */
    private function holding(int $at, int $count): array
    {
        $active = $this->installation->settingsRegisters();
        $knobs = $this->knobRegisters();
        $control = $this->control();
        $registers = [];
        for ($address = $at; $address < $at + $count; $address++) {
            $registers[] = match (true) {
                self::isIn($address, self::ACTIVE, SettingsBlock::REGISTERS) => $active[$address - self::ACTIVE],
                self::isIn($address, self::STAGING, SettingsBlock::REGISTERS) => $this->staging[$address - self::STAGING],
                self::isIn($address, self::CONTROL, count($control)) => $control[$address - self::CONTROL],
                self::isIn($address, self::KNOBS, count($knobs)) => $knobs[$address - self::KNOBS],
                $address === self::RATE => $this->installation->rate(),
                default => throw new ModbusFault(ModbusFault::ADDRESS),
            };
        }

        return $registers;
    }

    /** @return list<int> */
    private function control(): array
    {
        $revision = $this->installation->revision();

        return [
            0, $this->result, $this->faultOffset, $revision >> 16, $revision & 0xFFFF, $this->expectedRevision >> 16,
            $this->expectedRevision & 0xFFFF,
        ];
    }

    /** @return list<int> */
    private function knobRegisters(): array
    {
        $volts = $this->installation->live()->script()->knobs(Side::Normal);
        $volt = new Register(0, 'v', RegisterType::U16, self::VOLT_PLACES);
        $legs = array_map(static fn(int $leg): int => $volt->type->words($volt->rawOf($volts[$leg] ?? null))[0], [0, 1, 2]);
        $hz = new Register(0, 'hz', RegisterType::U16, self::HZ_PLACES);

        return [...$legs, (int) $hz->rawOf($this->utility()['hz']), $this->utility()['rotation'] === 'acb' ? 1 : 0];
    }

    /** @return array{hz: float, rotation: string} where the knobs of the utility stand */
    private function utility(): array
    {
        $source = $this->installation->spec()['system'];
        $normal = is_array($source) ? data_get($source, 'sources.normal') : null;
        $hz = data_get($normal, 'nominal_hz');
        $knobs = ['hz' => is_numeric($hz) ? (float) $hz : 0.0, 'rotation' => data_get($source, 'rotation') === 'acb' ? 'acb' : 'abc'];
        foreach ($this->installation->script()['inputs'] as $input) {
            if ($input['do'] === 'utility') {
                $knobs['hz'] = is_numeric($input['hz'] ?? null) ? (float) $input['hz'] : $knobs['hz'];
                $knobs['rotation'] = is_string($input['rotation'] ?? null) ? $input['rotation'] : $knobs['rotation'];
            }
        }

        return $knobs;
    }

    private function writeCoil(string $data): string
    {
        if (strlen($data) !== 4) {
            throw new ModbusFault(ModbusFault::VALUE);
        }
        [$at, $value] = self::pair($data);
        if ($value !== 0 && $value !== 0xFF00) {
            throw new ModbusFault(ModbusFault::VALUE);
        }
        $this->press([$at => $value !== 0]);

        return $data;
    }

    private function writeCoils(string $data): string
    {
        [$at, $count] = self::span(substr($data, 0, 4), self::MOST_BITS_WRITTEN);
        $bytes = substr($data, 5);
        if (strlen($data) < 6 || ord($data[4]) !== strlen($bytes) || strlen($bytes) !== intdiv($count + 7, 8)) {
            throw new ModbusFault(ModbusFault::VALUE);
        }
        $bits = [];
        for ($i = 0; $i < $count; $i++) {
            $bits[$at + $i] = (ord($bytes[intdiv($i, 8)]) >> $i % 8 & 1) === 1;
        }
        $this->press($bits);

        return substr($data, 0, 4);
    }

    /** @param array<int, bool> $bits by address */
    private function press(array $bits): void
    {
        $inputs = [];
        foreach ($bits as $address => $isOn) {
            $coil = $this->coil($address);
            $inputs[] = $isOn ? $coil->on : $coil->off;
        }
        foreach (array_filter($inputs) as $input) { // all of the addresses are there by now
            try {
                $this->installation->input($input);
            } catch (BadInput|Refused) {
                throw new ModbusFault(ModbusFault::STATE);
            }
        }
    }

    private function writeRegister(string $data): string
    {
        if (strlen($data) !== 4) {
            throw new ModbusFault(ModbusFault::VALUE);
        }
        [$at, $value] = self::pair($data);
        $this->write($at, [$value]);

        return $data;
    }

    private function writeRegisters(string $data): string
    {
        [$at, $count] = self::span(substr($data, 0, 4), self::MOST_REGISTERS_WRITTEN);
        $bytes = substr($data, 5);
        if (strlen($data) < 6 || ord($data[4]) !== strlen($bytes) || strlen($bytes) !== 2 * $count) {
            throw new ModbusFault(ModbusFault::VALUE);
        }
        /** @var array<int, int> $words */
        $words = unpack('n*', $bytes);
        $this->write($at, array_values($words));

        return substr($data, 0, 4);
    }

    /** @param list<int> $words one behind the other from an address on */
    private function write(int $at, array $words): void
    {
        $last = $at + count($words) - 1;
        $isStaging = self::isIn($at, self::STAGING, SettingsBlock::REGISTERS) && self::isIn($last, self::STAGING, SettingsBlock::REGISTERS);
        match (true) {
            $isStaging => array_splice($this->staging, $at - self::STAGING, count($words), $words),
            $at === self::CONTROL && $last === $at => $this->commit($words[0]),
            self::isIn($at, self::CONTROL + 5, 2) && $last <= self::CONTROL + 6 => $this->expect($at, $words),
            self::isIn($at, self::KNOBS, 5) && self::isIn($last, self::KNOBS, 5) => $this->turn($at - self::KNOBS, $words),
            $at === self::RATE && $last === $at => $this->rate($words[0]),
            default => throw new ModbusFault(ModbusFault::ADDRESS),
        };
    }

    /** @param list<int> $words */
    private function expect(int $at, array $words): void
    {
        $now = [$this->expectedRevision >> 16, $this->expectedRevision & 0xFFFF];
        array_splice($now, $at - self::CONTROL - 5, count($words), $words);
        $this->expectedRevision = $now[0] << 16 | $now[1];
    }

    private function commit(int $word): void
    {
        if ($word === 2) {
            $this->staging = $this->installation->settingsRegisters();

            return;
        }
        if ($word !== 1) {
            throw new ModbusFault(ModbusFault::VALUE);
        }
        $expected = $this->expectedRevision;
        $this->expectedRevision = self::NO_REVISION;
        $this->faultOffset = self::NO_FAULT;
        try {
            $this->installation->commit($this->staging, $expected);
            $this->result = self::ACCEPTED;
        } catch (UnknownRegister $unknown) {
            [$this->result, $this->faultOffset] = [self::REFUSED, $unknown->offset];
        } catch (Refused $refused) {
            $this->result = $refused->errorCode === 'conflict' ? self::WRONG_REVISION : self::REFUSED;
            $this->faultOffset = $refused->path === null || $refused->errorCode === 'conflict' ? self::NO_FAULT
                : (new SettingsBlock())->offsetOf(substr($refused->path, strlen('/settings/')));
        }
        if ($this->result !== self::ACCEPTED) {
            throw new ModbusFault(ModbusFault::VALUE);
        }
    }

    /** @param list<int> $words of the knobs from a place on: what one request writes acts together */
    private function turn(int $place, array $words): void
    {
        $input = ['do' => 'utility'];
        $volts = $this->installation->live()->script()->knobs(Side::Normal);
        foreach ($words as $i => $word) {
            $knob = $place + $i;
            if ($knob < 3) {
                if (! isset($volts[$knob])) {
                    throw new ModbusFault(ModbusFault::ADDRESS);
                }
                $volts[$knob] = $word / 10 ** self::VOLT_PLACES;
                $input['v'] = count(array_unique($volts)) === 1 ? $volts[0] : $volts;
            } elseif ($knob === 3) {
                $input['hz'] = $word / 10 ** self::HZ_PLACES;
            } else {
                $input['rotation'] = match ($word) {
                    0 => 'abc',
                    1 => 'acb',
                    default => throw new ModbusFault(ModbusFault::VALUE),
                };
            }
        }
        try {
            $this->installation->input($input);
        } catch (BadInput|Refused) {
            throw new ModbusFault(ModbusFault::STATE);
        }
    }

    private function rate(int $word): void
    {
        try {
            $this->installation->setRate($word);
        } catch (Refused) {
            throw new ModbusFault(ModbusFault::VALUE);
        }
    }

    private static function isIn(int $address, int $from, int $count): bool
    {
        return $address >= $from && $address < $from + $count;
    }

    /**
     * @return array{int, int} address and count, which is looked at before the address
     *
     * @throws ModbusFault
     */
    private static function span(string $data, int $most): array
    {
        if (strlen($data) !== 4) {
            throw new ModbusFault(ModbusFault::VALUE);
        }
        [$at, $count] = self::pair($data);
        if ($count < 1 || $count > $most) {
            throw new ModbusFault(ModbusFault::VALUE);
        }

        return $at + $count > 0x10000 ? throw new ModbusFault(ModbusFault::ADDRESS) : [$at, $count];
    }

    /** @return array{int, int} */
    private static function pair(string $data): array
    {
        /** @var array{a: int, b: int} $words */
        $words = unpack('na/nb', $data);

        return [$words['a'], $words['b']];
    }
}
