<?php

declare(strict_types=1);

namespace Escapement\Core\Settings;

enum Fuel: string
{
    case Diesel = 'diesel';
    case NaturalGas = 'natural_gas';
    case Lp = 'lp';
    case Petrol = 'petrol';
    case Battery = 'battery';

    public function label(): string
    {
        return match ($this) {
            self::Diesel => 'diesel',
            self::NaturalGas => 'natural gas',
            self::Lp => 'LP',
            self::Petrol => 'petrol',
            self::Battery => 'battery',
        };
    }
}
