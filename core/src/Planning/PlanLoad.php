<?php

declare(strict_types=1);

namespace Escapement\Core\Planning;

/** A load as the plan draws it. */
final readonly class PlanLoad
{
    /**
     * @param string  $connect how it is connected, see docs/rules.md#legs
     * @param ?string $panel   element it hangs on; null for where its kind puts it
     */
    public function __construct(
        public string $name,
        public float $kw,
        public string $connect,
        public bool $isTransferred,
        public ?string $panel = null,
    ) {}

    /** @return non-empty-list<string> */
    public function phases(): array
    {
        return match ($this->connect) {
            '3P' => ['L1', 'L2', 'L3'],
            'L1L2' => ['L1', 'L2'],
            'L2L3' => ['L2', 'L3'],
            'L3L1' => ['L3', 'L1'],
            default => [$this->connect],
        };
    }
}
