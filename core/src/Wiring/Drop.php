<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring;

/** What the far end of a run lacks. Rule: docs/rules.md#voltage-drop. */
interface Drop
{
    /** The largest drop of all, in percent of its own voltage. */
    public function percent(): float;

    /** Whether a leg's voltage rises instead. */
    public function hasRise(): bool;
}
