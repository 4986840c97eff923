<?php

declare(strict_types=1);

namespace Escapement\Core\Settings;

enum Transition: string
{
    /** The switch opens one side and goes straight to the other. */
    case Open = 'open';
    /** The switch waits in between, for motors and transformers to lose their residual voltage. */
    case Delayed = 'delayed';
}
