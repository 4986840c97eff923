<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Loads;

/** Why a load was shed or came back. Rule: docs/rules.md#load-bus. */
enum ShedReason: string
{
    case Transfer = 'transfer';
    case Overload = 'overload';
    case Step = 'step';
    case Normal = 'normal';
}
