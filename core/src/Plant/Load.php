<?php

declare(strict_types=1);

namespace Escapement\Core\Plant;

final readonly class Load
{
    /**
     * @param int  $priority     1 is the most important, 99 the least
     * @param bool $isCompressor shed at a transfer it stays away for the lock-out of the sheet: its pressure has to equalize first
     */
    public function __construct(
        public string $id,
        public int|float $kw,
        public int $priority,
        public bool $shed,
        public bool $isCompressor = false,
    ) {}

    /** @return array{id: string, kw: int|float, priority: int, shed: bool, compressor?: true} */
    public function toArray(): array
    {
        return [
            'id' => $this->id, 'kw' => $this->kw, 'priority' => $this->priority, 'shed' => $this->shed,
        ] + ($this->isCompressor ? ['compressor' => true] : []);
    }
}
