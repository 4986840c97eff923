<?php

declare(strict_types=1);

namespace Escapement\Core\Plant;

/** Who or what can open the supply ahead of the work, as surveyed. Rule: docs/rules.md#site-plan. */
enum Upstream: string
{
    /** Nobody on site: the utility pulls the meter or opens at its own device. */
    case Utility = 'utility';
    /** A disconnect by the meter, without being the service disconnect. */
    case Disconnect = 'disconnect';
    /** The main breaker beside the meter, which is the service disconnect. */
    case Combined = 'combined';
    /** Somebody else's switchboard: a landlord, a campus, a marina. */
    case Owner = 'owner';

    /** A device of this installation that a qualified person on site can open and lock. */
    public function isOnSite(): bool
    {
        return $this === self::Disconnect || $this === self::Combined;
    }

    /** Who opens it. */
    public function who(): string
    {
        return match ($this) {
            self::Utility => 'The utility',
            self::Disconnect, self::Combined => 'A qualified person on site',
            self::Owner => 'The owner of the upstream supply',
        };
    }
}
