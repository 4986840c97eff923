<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring;

/** How conductors are enclosed: wires in a raceway, or a cable made up in a factory. Rule: docs/rules.md#conductor. */
enum Cable: string
{
    case Raceway = 'raceway';
    case NmB = 'nm_b';
    case UfB = 'uf_b';
    case Ser = 'ser';
    case Seu = 'seu';
    case Mc = 'mc';
    case Urd = 'urd';

    /** The largest size it is made in; null where the list of sizes is the end. */
    public function largestSize(): ?string
    {
        return match ($this) {
            self::NmB => '2',
            self::UfB => '4/0',
            default => null,
        };
    }

    public function insulationC(): int
    {
        return $this === self::UfB ? 60 : 90;
    }

    /** The column this cable is held to whatever its insulation stands; null for none. */
    public function columnC(string $size, bool $isInInsulation): ?int
    {
        return match ($this) {
            self::NmB, self::UfB => 60,
            self::Ser, self::Seu => $isInInsulation && ! Sizes::isAtLeast($size, '8') ? 60 : null,
            default => null,
        };
    }

    /** Whether its listing forbids this place. */
    public function isForbidden(Location $location): bool
    {
        return match ($this) {
            self::NmB => $location !== Location::Dry,
            self::Ser, self::Seu => $location === Location::Buried,
            default => false,
        };
    }

    /** Whether only some makes of it may be used in this place. */
    public function asksForListing(Location $location): bool
    {
        return match ($this) {
            self::Mc => $location !== Location::Dry,
            self::Urd => $location === Location::Dry,
            default => false,
        };
    }
}
