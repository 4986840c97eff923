<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Controller;

enum TestKind: string
{
    case None = 'none';
    case NoLoad = 'no_load';
    case Load = 'load';
}
