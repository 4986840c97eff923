<?php

declare(strict_types=1);

namespace App\Stage\SiteImport;

/** What a column of a list of sites can hold. */
enum SiteField: string
{
    case Name = 'name';
    case Address = 'address';
    case Owner = 'owner';
    case Kind = 'installation';
    case Timezone = 'timezone';
    case Units = 'units';
    case Service = 'service_a';
    case Elevation = 'altitude';
    case Notes = 'notes';
    case SwitchName = 'switch';
    case SwitchRating = 'rating_a';
    case Fuel = 'fuel';
    case RatedKw = 'rated_kw';

    public function label(): string
    {
        return match ($this) {
            self::Name => 'Name of the site',
            self::Address => 'Address',
            self::Owner => 'Owner or contact',
            self::Kind => 'Installation type',
            self::Timezone => 'Time zone',
            self::Units => 'Units',
            self::Service => 'Service size, A',
            self::Elevation => 'Elevation',
            self::Notes => 'Notes',
            self::SwitchName => 'Name of the switch',
            self::SwitchRating => 'Rating of the switch, A',
            self::Fuel => 'Fuel',
            self::RatedKw => 'Generator, kW',
        };
    }

    /** Figures may carry their unit, and a comma that parts thousands or decimals. */
    public function isFigure(): bool
    {
        return in_array($this, [self::Service, self::Elevation, self::SwitchRating, self::RatedKw], true);
    }

    /** @return list<string> words that the heading of such a column has; the first field that fits is taken */
    public function headings(): array
    {
        return match ($this) {
            self::Name => ['site', 'name', 'customer', 'account', 'place'],
            self::Address => ['address', 'street', 'location'],
            self::Owner => ['owner', 'contact', 'person'],
            self::Kind => ['type', 'kind', 'installation'],
            self::Timezone => ['time zone', 'timezone', 'zone'],
            self::Units => ['units'],
            self::Service => ['service'],
            self::Elevation => ['elevation', 'altitude'],
            self::Notes => ['notes', 'note', 'remarks', 'comment'],
            self::SwitchName => ['switch', 'ats', 'panel'],
            self::SwitchRating => ['switch a', 'switch amps', 'switch rating', 'rating', 'amps'],
            self::Fuel => ['fuel'],
            self::RatedKw => ['kw', 'generator', 'genset'],
        };
    }
}
