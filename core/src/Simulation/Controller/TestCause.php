<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Controller;

enum TestCause: string
{
    case Command = 'command';
    case Exercise = 'exercise';
}
