<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule\Clash;

/** Somebody who attends exercises. */
final readonly class ClashPerson
{
    /** @param int $betweenS that they need from one to the next */
    public function __construct(public string $id, public Spans $hours, public int $betweenS) {}
}
