<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning;

enum IntervalVerdict: string
{
    case Pass = 'pass';
    case Early = 'early';
    case Late = 'late';
    case Missing = 'missing';
}
