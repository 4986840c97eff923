<?php

declare(strict_types=1);

namespace Escapement\Core\Settings;

/** One difference between two sheets. */
final readonly class Change
{
    public function __construct(public string $path, public mixed $from, public mixed $to) {}

    /** "Return delay: 60.0 s becomes 300.0 s." */
    public function meaning(): string
    {
        return sprintf(
            '%s: %s becomes %s.',
            SheetWords::label($this->path),
            SheetWords::value($this->path, $this->from),
            SheetWords::value($this->path, $this->to),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['path' => $this->path, 'from' => $this->from, 'to' => $this->to, 'meaning' => $this->meaning()];
    }
}
