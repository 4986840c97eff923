<?php

declare(strict_types=1);

namespace Escapement\Core\Survey;

use Escapement\Core\Plant\InstallationKind;

/** The nameplates that a survey keeps as pictures: a figure that was read wrongly is found there again. */
final readonly class NameplatePhoto
{
    /** @return array<string, string> words by the name that a picture is marked with */
    public static function of(InstallationKind $kind): array
    {
        return ['plate_switch' => 'nameplate of the transfer switch']
            + ($kind->hasGenerator() ? ['plate_generator' => 'nameplate of the source'] : [])
            + ($kind->isMobile() ? [] : ['plate_service' => 'label of the service disconnect or main'])
            + ['plate_panel' => 'label of the panel'];
    }
}
