<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Sizing;

use Escapement\Core\Power\LegLoad;

/** A load and what may be done with it. Rule: docs/rules.md#sizing. */
final readonly class SizingLoad
{
    /**
     * @param bool $isManaged load management may leave it off; not together with $mustRun
     * @param bool $mustRun   counts as essential too
     */
    public function __construct(
        public LegLoad $load,
        public bool $isEssential = false,
        public bool $isManaged = false,
        public bool $mustRun = false,
    ) {}
}
