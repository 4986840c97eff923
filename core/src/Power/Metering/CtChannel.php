<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Metering;

/** Which phase's current transformer a channel of the meter carries, and whether it is turned round. */
final readonly class CtChannel
{
    public function __construct(public int $channel, public int $onPhase, public bool $reversed) {}

    public function isWrongPhase(): bool
    {
        return $this->channel !== $this->onPhase;
    }
}
