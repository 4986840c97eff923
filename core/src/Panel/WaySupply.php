<?php

declare(strict_types=1);

namespace Escapement\Core\Panel;

/** What an outgoing way has, with the changeover where it stands and one phase of the source lost. Rule: docs/rules.md#panel-one-line. */
enum WaySupply: string
{
    case Fed = 'fed';
    /** A three-phase load on the two phases that are left: its motors burn. */
    case TwoPhases = 'two_phases';
    case Shed = 'shed';
    case Dark = 'dark';

    /**
     * @param string                   $connects L1 … L3L1, or 3P
     * @param 'normal'|'off'|'emergency' $on     where the changeover stands
     * @param ?string                  $lost     L1, L2 or L3 of the first source
     */
    public static function of(string $connects, bool $isShed, string $on, ?string $lost): self
    {
        return match (true) {
            $on === 'off' => self::Dark,
            $on === 'emergency' => $isShed ? self::Shed : self::Fed,
            $lost === null => self::Fed,
            $connects === '3P' => self::TwoPhases,
            str_contains($connects, $lost) => self::Dark,
            default => self::Fed,
        };
    }

    public function words(): string
    {
        return match ($this) {
            self::Fed => 'fed',
            self::TwoPhases => 'two phases',
            self::Shed => 'shed',
            self::Dark => 'dark',
        };
    }
}
