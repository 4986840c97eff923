<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Procedure;

/** What a step asks of the person. Rule: docs/rules.md#procedure. */
enum StepKind: string
{
    /** Did it, saw it. */
    case Confirm = 'confirm';
    /** A value with its unit, against a band. */
    case Measure = 'measure';
    /** The stopwatch between two named events. */
    case Time = 'time';
    case Choose = 'choose';
    case Photo = 'photo';
    case Sign = 'sign';
}
