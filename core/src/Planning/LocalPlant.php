<?php

declare(strict_types=1);

namespace Escapement\Core\Planning;

use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\Plant;
use Escapement\Core\Plant\Source;
use Escapement\Core\Settings\Template\SheetTemplate;

/**
 * The plant that a new switch begins with where the site is: 120/240 V and 60 Hz in US units, 230/400 V and 50 Hz in metric ones.
 * Where a US kind has two legs, a metric dwelling has three phases, and what is plugged in has one. To be put right by the survey.
 */
final readonly class LocalPlant
{
    private const METRIC_V = 230;
    private const METRIC_HZ = 50;

    public static function of(InstallationKind $kind, bool $isMetric): Plant
    {
        $plant = (new SheetTemplate($kind))->plant();

        return $isMetric ? new Plant(
            $plant->kind,
            self::metric($kind, $plant->normal),
            self::metric($kind, $plant->emergency),
            $plant->engine,
        ) : $plant;
    }

    private static function metric(InstallationKind $kind, Source $source): Source
    {
        $isPlugged = $kind->isMobile() || $kind === InstallationKind::PlugInBox;

        return new Source(
            $source->phases === 2 ? ($isPlugged ? 1 : 3) : $source->phases,
            self::METRIC_V,
            self::METRIC_HZ,
            $source->rotation,
        );
    }
}
