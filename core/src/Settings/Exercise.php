<?php

declare(strict_types=1);

namespace Escapement\Core\Settings;

final readonly class Exercise
{
    public function __construct(public int $firstAtMs, public int $everyMs, public int $forMs, public bool $withLoad) {}

    /** @return array<string, int|bool> */
    public function toArray(): array
    {
        return ['first_at_ms' => $this->firstAtMs, 'every_ms' => $this->everyMs, 'for_ms' => $this->forMs, 'with_load' => $this->withLoad];
    }
}
