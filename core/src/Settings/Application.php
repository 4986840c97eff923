<?php

declare(strict_types=1);

namespace Escapement\Core\Settings;

/** What the switch is for; several limits depend on it. Rule: docs/rules.md#settings-delays. */
enum Application: string
{
    case Residential = 'residential';
    case EssentialCircuits = 'essential_circuits';
    case PlugIn = 'plug_in';
    case Mobile = 'mobile';
    case Commercial = 'commercial';
    case LifeSafety = 'life_safety';
    /** Cannot stand motors being re-closed onto their own residual voltage. */
    case Process = 'process';
    case TwoSource = 'two_source';
}
