<?php

declare(strict_types=1);

namespace Escapement\Core\Device\Register;

use Escapement\Core\Input\Decimal;

/** One quantity of a register map: where it lies, how, and in which unit. */
final readonly class Register
{
    /**
     * @param int          $address first of its registers, as on the wire
     * @param string       $key     of the quantity; inner keys and the places of lists behind a point: `bus.a.0`
     * @param int          $places  digits behind the point that the registers keep
     * @param list<string> $words   what 0, 1, 2 … stand for; empty for a number
     */
    public function __construct(
        public int $address,
        public string $key,
        public RegisterType $type,
        public int $places = 0,
        public array $words = [],
    ) {}

    /** Half a unit is rounded away from zero, by the decimal as it is written. */
    public function rawOf(null|int|float $value): ?int
    {
        return $value === null ? null : Decimal::units($value, $this->places);
    }

    /** @param list<int> $registers of the whole map, from address 0 */
    public function value(array $registers): null|int|float
    {
        $raw = $this->type->raw(array_slice($registers, $this->address, $this->type->width()));

        return $raw === null ? null : $raw / 10 ** $this->places;
    }
}
