<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule\Clash;

use Escapement\Core\Schedule\SwitchExercise;

/** A switch with its exercise, and the hours that its place cares about. */
final readonly class ClashSwitch
{
    /** @param Spans $blocks that hold for it */
    public function __construct(
        public SwitchExercise $of,
        public ?ClashPerson $person,
        public ?ClashGroup $group,
        public Spans $quiet,
        public Spans $sleep,
        public Spans $business,
        public Spans $blocks,
    ) {}
}
