<?php

declare(strict_types=1);

namespace Escapement\Core\Record;

use Escapement\Core\Commissioning\Mark;

/** A mark as a record tells it, with its edits done. */
final readonly class RecordedMark
{
    public function __construct(
        public Mark $mark,
        public ?string $note,
        public ?string $lateReason,
        public ?string $flag,
        public ?string $clientWall,
        public string $who,
        public string $receivedAt,
    ) {}

    /** @return list<mixed> what an export says of it beside its id */
    public function told(): array
    {
        return [
            $this->mark->event->value,
            $this->mark->atMs,
            $this->mark->isUndone,
            $this->note,
            $this->lateReason,
            $this->flag,
            $this->clientWall,
        ];
    }

    public function edited(?string $note, bool $isUndone): self
    {
        return new self(
            new Mark($this->mark->event, $this->mark->atMs, $this->mark->id, $isUndone),
            $note,
            $this->lateReason,
            $this->flag,
            $this->clientWall,
            $this->who,
            $this->receivedAt,
        );
    }
}
