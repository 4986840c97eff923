<?php

declare(strict_types=1);

namespace Escapement\Core\Recording;

/** A recording that cannot be read: says where, by line or byte, and why. Nothing of such a file is kept. */
final class RecordingFault extends \InvalidArgumentException
{
    public static function atLine(string $file, int $line, string $why): self
    {
        return new self("$file, line $line: $why");
    }

    public static function atByte(string $file, int $byte, string $why): self
    {
        return new self("$file, byte $byte: $why");
    }

    public static function whole(string $why): self
    {
        return new self($why);
    }
}
