<?php

declare(strict_types=1);

namespace Escapement\Core\Input;

/**
 * One value of decoded JSON together with its JSON Pointer. Objects are \stdClass, so that {} and [] stay apart.
 *
 * Each reading method returns the checked value or throws BadInput at this path.
 */
final readonly class Node
{
    /** Deeper input is not ours: the deepest published shape has seven levels. */
    private const MAX_DEPTH = 32;

    public const YEAR_MS = 31_536_000_000;

    public function __construct(public mixed $value, public string $path = '') {}

    /** @throws BadInput at "" when the text is no JSON */
    public static function fromJson(string $json): self
    {
        try {
            return new self(json_decode($json, false, self::MAX_DEPTH, JSON_THROW_ON_ERROR));
        } catch (\JsonException $e) {
            throw new BadInput('', 'This is not JSON that can be read: ' . $e->getMessage() . '.');
        }
    }

    /** Takes what PHP arrays can say; a list is an array whose keys count from 0, and [] is an empty list. */
    public static function fromArray(mixed $value): self
    {
        return self::fromJson(json_encode($value, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION));
    }

    public function isNull(): bool
    {
        return $this->value === null;
    }

    public function at(string|int $key, mixed $value): self
    {
        $hasSpecial = is_string($key) && strpbrk($key, '~/') !== false;

        return new self($value, $this->path . '/' . ($hasSpecial ? str_replace(['~', '/'], ['~0', '~1'], $key) : $key));
    }

    public function object(): ObjectNode
    {
        if (! $this->value instanceof \stdClass) {
            throw $this->bad('This must be an object.');
        }

        return new ObjectNode($this, get_object_vars($this->value));
    }

    /** @return list<self> */
    public function list(int $min = 0, int $max = PHP_INT_MAX): array
    {
        if (! is_array($this->value)) {
            throw $this->bad('This must be a list.');
        }
        $count = count($this->value);
        if ($count < $min || $count > $max) {
            throw $this->bad(sprintf('This list must have %d to %d items; it has %d.', $min, $max, $count));
        }
        $nodes = [];
        foreach (array_values($this->value) as $i => $item) {
            $nodes[] = $this->at($i, $item);
        }

        return $nodes;
    }

    public function integer(int $min, int $max): int
    {
        $number = $this->value;
        if (is_float($number) && floor($number) === $number && abs($number) < 9e15) {
            $number = (int) $number;
        }
        if (! is_int($number)) {
            throw $this->bad(sprintf('This must be a whole number from %d to %d.', $min, $max));
        }
        if ($number < $min || $number > $max) {
            throw $this->bad(sprintf('%d is not in the range from %d to %d.', $number, $min, $max));
        }

        return $number;
    }

    public function ms(int $min = 0): int
    {
        return $this->integer($min, self::YEAR_MS);
    }

    public function number(int|float $min, int|float $max, bool $aboveMin = false): int|float
    {
        $number = $this->value;
        $isNumber = is_int($number) || is_float($number) && is_finite($number);
        if ($isNumber && $number >= $min && $number <= $max && (! $aboveMin || $number > $min)) {
            return $number;
        }
        $span = sprintf('%s %s', $aboveMin ? 'above' : 'from', $min) . ($max === INF ? '' : " to $max");

        throw $this->bad($isNumber ? sprintf('%s is not in the range %s.', $number, $span) : "This must be a number $span.");
    }

    public function bool(): bool
    {
        if (! is_bool($this->value)) {
            throw $this->bad('This must be true or false.');
        }

        return $this->value;
    }

    /** 1 to $max characters, counted as characters and not as bytes. */
    public function text(int $max = 64): string
    {
        if (! is_string($this->value)) {
            throw $this->bad('This must be a text.');
        }
        $length = mb_strlen($this->value, 'UTF-8');
        if ($length < 1 || $length > $max) {
            throw $this->bad("This text must have 1 to $max characters; it has $length.");
        }

        return $this->value;
    }

    /**
     * @template W of string
     *
     * @param non-empty-list<W> $words
     *
     * @return W
     */
    public function oneOf(array $words): string
    {
        if (! is_string($this->value) || ! in_array($this->value, $words, true)) {
            throw $this->bad('This must be one of: ' . implode(', ', $words) . '.');
        }

        return $this->value;
    }

    /**
     * @template T of \BackedEnum
     *
     * @param class-string<T> $enum a string-backed enum
     *
     * @return T
     */
    public function enum(string $enum): \BackedEnum
    {
        $case = is_string($this->value) ? $enum::tryFrom($this->value) : null;
        if ($case !== null) {
            return $case;
        }
        $words = array_map(static fn(\BackedEnum $case): string => (string) $case->value, $enum::cases());
        if ($words === []) {
            throw new \LogicException("$enum has no cases.");
        }

        return $enum::from($this->oneOf($words));
    }

    public function bad(string $message): BadInput
    {
        return new BadInput($this->path, $message);
    }
}
