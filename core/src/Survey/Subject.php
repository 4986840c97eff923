<?php

declare(strict_types=1);

namespace Escapement\Core\Survey;

/** The pages of a survey. */
enum Subject: string
{
    case Service = 'service';
    case Panels = 'panels';
    case Source = 'source';
    case Loads = 'loads';
    case Place = 'place';
    case Rules = 'rules';
    case Photos = 'photos';

    public function label(): string
    {
        return match ($this) {
            self::Service => 'Service and meter',
            self::Panels => 'Panels',
            self::Source => 'Source and fuel',
            self::Loads => 'Loads',
            self::Place => 'Placement and safety',
            self::Rules => 'Class and markings',
            self::Photos => 'Photos',
        };
    }
}
