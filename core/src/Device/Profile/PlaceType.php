<?php

declare(strict_types=1);

namespace Escapement\Core\Device\Profile;

/** How a quantity lies in registers or bits of a foreign device. */
enum PlaceType: string
{
    case U16 = 'u16';
    case S16 = 's16';
    case U32 = 'u32';
    case S32 = 's32';
    case F32 = 'f32';
    case Bit = 'bit';

    /** How many registers it takes; one for a bit of a register. */
    public function width(): int
    {
        return in_array($this, [self::U32, self::S32, self::F32], true) ? 2 : 1;
    }

    /**
     * @param list<int> $words as many as it is wide, high word first
     *
     * @return null|float|int null: no number, as a device says what it does not know
     */
    public function raw(array $words): null|float|int
    {
        $bits = count($words) === 2 ? $words[0] << 16 | $words[1] : $words[0];

        return match ($this) {
            self::U16, self::U32, self::Bit => $bits,
            self::S16 => $bits >= 0x8000 ? $bits - 0x10000 : $bits,
            self::S32 => $bits >= 0x80000000 ? $bits - 0x100000000 : $bits,
            self::F32 => self::float($bits),
        };
    }

    private static function float(int $bits): ?float
    {
        $unpacked = unpack('G', pack('N', $bits));
        $value = $unpacked === false ? null : $unpacked[1];

        return is_float($value) && is_finite($value) ? $value : null;
    }
}
