<?php

declare(strict_types=1);

namespace Escapement\Core\Device\Register;

/**
 * How a whole number lies in 16-bit registers, high word first; one pattern of each says *not known*.
 *
 * Rule: docs/rules.md#register-image.
 */
enum RegisterType: string
{
    case U16 = 'u16';
    case S16 = 's16';
    case U32 = 'u32';
    case S32 = 's32';
    case U48 = 'u48';

    public const WORD = 0xFFFF;
    private const WORD_BITS = 16;

    /** How many registers it takes. */
    public function width(): int
    {
        return match ($this) {
            self::U16, self::S16 => 1,
            self::U32, self::S32 => 2,
            self::U48 => 3,
        };
    }

    /** The nearest number that can be told; the pattern of the unknown is none. */
    public function clamped(int $raw): int
    {
        return max($this->isSigned() ? 1 - $this->half() : 0, min($this->isSigned() ? $this->half() - 1 : 2 * $this->half() - 2, $raw));
    }

    /** @return list<int> high word first; null and what is out of range by the pattern of the unknown */
    public function words(?int $raw): array
    {
        $pattern = $raw ?? $this->unknown();
        $words = [];
        for ($place = $this->width() - 1; $place >= 0; $place--) {
            $words[] = $pattern >> self::WORD_BITS * $place & self::WORD;
        }

        return $words;
    }

    /** @param list<int> $words as many as it is wide */
    public function raw(array $words): ?int
    {
        $raw = 0;
        foreach ($words as $word) {
            $raw = $raw << self::WORD_BITS | $word;
        }
        if ($raw === $this->unknown()) {
            return null;
        }

        return $this->isSigned() && $raw >= $this->half() ? $raw - 2 * $this->half() : $raw;
    }

    private function unknown(): int
    {
        return $this->isSigned() ? $this->half() : 2 * $this->half() - 1;
    }

    private function isSigned(): bool
    {
        return $this === self::S16 || $this === self::S32;
    }

    private function half(): int
    {
        return 1 << self::WORD_BITS * $this->width() - 1;
    }
}
