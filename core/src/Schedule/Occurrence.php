<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule;

/** One start of a set by itself. */
final readonly class Occurrence
{
    /** @param ?int $movedFrom the day it was moved from */
    public function __construct(
        public int $utcS,
        public int $endUtcS,
        public int $offsetS,
        public int $endOffsetS,
        public ?int $movedFrom,
        public bool $isShifted,
        public bool $isTwice,
    ) {}

    /** @return array<string, mixed> */
    public function told(): array
    {
        return [
            'local' => gmdate('Y-m-d\TH:i', $this->utcS + $this->offsetS),
            'utc' => gmdate('Y-m-d\TH:i:s\Z', $this->utcS),
            'end_local' => gmdate('Y-m-d\TH:i', $this->endUtcS + $this->endOffsetS),
            'end_utc' => gmdate('Y-m-d\TH:i:s\Z', $this->endUtcS),
            'offset_min' => intdiv($this->offsetS, 60),
            'moved_from' => $this->movedFrom === null ? null : Day::write($this->movedFrom),
            'shifted' => $this->isShifted,
        ];
    }
}
