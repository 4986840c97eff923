<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Proof;

/** Where a switch stands. Rule: docs/rules.md#proof, the first that fits. */
enum StandingState: string
{
    case Failed = 'failed';
    case Never = 'never';
    case Stale = 'stale';
    case Proven = 'proven';
    case TimesOnly = 'times_only';
    case Partly = 'partly';

    public function label(): string
    {
        return match ($this) {
            self::Failed => 'failed',
            self::Never => 'never proved',
            self::Stale => 'changed since proved',
            self::Proven => 'proven',
            self::TimesOnly => 'times proven',
            self::Partly => 'partly proven',
        };
    }
}
