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
}
