<?php

declare(strict_types=1);

namespace App\Device;

/** Who a device says it is: the greeting of the open protocol, and function 43/14 of Modbus, basic and regular. */
final readonly class DeviceName
{
    private const MEI = 14;
    private const BASIC = 3;
    private const REGULAR = 7;
    private const ONE = 4;
    private const CONFORMITY = 0x82;

    public function __construct(
        public string $serial,
        public string $kind,
        public string $vendor = 'Escapement',
        public string $model = 'Bench',
        public string $firmware = '1',
    ) {}

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'vendor' => $this->vendor, 'model' => $this->model, 'serial' => $this->serial, 'firmware' => $this->firmware,
            'kind' => $this->kind, 'simulated' => true,
        ];
    }

    /** @throws ModbusFault */
    public function answer(string $data): string
    {
        if (strlen($data) !== 3) {
            throw new ModbusFault(ModbusFault::VALUE);
        }
        [$mei, $code, $from] = array_values(array_map(ord(...), str_split($data)));
        if ($mei !== self::MEI) {
            throw new ModbusFault(ModbusFault::FUNCTION);
        }
        $objects = [$this->vendor, $this->model, $this->firmware, 'none', "$this->model, simulated", $this->kind, $this->serial];
        $last = match ($code) {
            1 => self::BASIC,
            2 => self::REGULAR,
            self::ONE => isset($objects[$from]) ? $from + 1 : throw new ModbusFault(ModbusFault::ADDRESS),
            default => throw new ModbusFault(ModbusFault::VALUE),
        };
        $first = $from < $last ? $from : 0; // an object that is not there begins the list anew
        $body = '';
        for ($i = $first; $i < $last; $i++) {
            $body .= chr($i) . chr(strlen($objects[$i])) . $objects[$i];
        }

        return pack('C*', self::MEI, $code, self::CONFORMITY, 0, 0, $last - $first) . $body;
    }
}
