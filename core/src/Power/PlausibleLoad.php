<?php

declare(strict_types=1);

namespace Escapement\Core\Power;

use Escapement\Core\Plant\LegSystem;

/**
 * Whether a load can hang on a supply of its kind at all: beside it a slip of the pen is likelier, and the figure is asked back.
 * What it may be is another question, and the sizing answers it. Rule: docs/rules.md#sizing.
 */
final readonly class PlausibleLoad
{
    /** Amperes a leg of the largest usual supply: a vehicle's cord, a dwelling's service, a building's. */
    private const MOST_A = ['mobile' => 60, 'single' => 400, 'split' => 400, 'three' => 4000];

    /** @return ?string what to ask; null where nothing is to be asked */
    public static function doubt(LegSystem $system, bool $isMobile, float $kw): ?string
    {
        $mostA = self::MOST_A[$isMobile ? 'mobile' : $system->name] ?? self::MOST_A['split'];
        $amps = 1000 * $kw / $system->vAllLegs();
        if ($amps <= $mostA) {
            return null;
        }

        return sprintf(
            '%s kW are %s A a leg here, more than a supply of this kind carries (%d A). Is that so?',
            $kw,
            number_format($amps),
            $mostA,
        );
    }
}
