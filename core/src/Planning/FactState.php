<?php

declare(strict_types=1);

namespace Escapement\Core\Planning;

/** How well a fact of an installation is known. */
enum FactState: string
{
    case Open = 'open';
    case Declared = 'declared';
    case Shown = 'shown';
}
