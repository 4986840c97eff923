<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\Topology;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Input\ObjectNode;

/** The fields of an element: unknown ones are let pass, whole numbers are integers. Rule: docs/rules.md#topology. */
final readonly class DrawingFields
{
    private const MOST_WHOLE = 1_000_000_000;

    private ObjectNode $object;

    public function __construct(public Node $node)
    {
        $this->object = $node->object();
    }

    public function optional(string $key): ?Node
    {
        return $this->object->optional($key);
    }

    public function required(string $key): Node
    {
        return $this->object->required($key);
    }

    public function at(string $key): Node
    {
        return $this->object->optional($key) ?? $this->node->at($key, null);
    }

    public function bool(string $key, ?bool $default = null): bool
    {
        return $this->object->optional($key)?->bool() ?? $default ?? throw BadInput::missing($this->node->at($key, null)->path);
    }

    /**
     * @template W of string
     *
     * @param non-empty-list<W> $words
     * @param ?W                $default
     *
     * @return W
     */
    public function word(string $key, array $words, ?string $default = null): string
    {
        return $this->object->optional($key)?->oneOf($words) ?? $default ?? throw BadInput::missing($this->node->at($key, null)->path);
    }

    /** Something declared: true, false, or not said. */
    public function fact(string $key): ?bool
    {
        return $this->object->nullable($key)?->bool();
    }

    /**
     * @template W of string
     *
     * @param non-empty-list<W> $words
     *
     * @return ?W
     */
    public function wordOrNull(string $key, array $words): ?string
    {
        return $this->object->nullable($key)?->oneOf($words);
    }

    public function positive(string $key): int|float
    {
        return $this->object->required($key)->number(0, INF, aboveMin: true);
    }

    public function positiveOrNull(string $key): int|float|null
    {
        return $this->object->nullable($key)?->number(0, INF, aboveMin: true);
    }

    /** @param non-empty-list<int> $allowed */
    public function oneInt(string $key, array $allowed, ?int $default = null): int
    {
        $node = $this->object->optional($key);
        if ($node === null) {
            return $default ?? throw BadInput::missing($this->node->at($key, null)->path);
        }
        $value = $node->value;
        if (! (is_int($value) || is_float($value)) || ! in_array($value, [...$allowed, ...array_map(floatval(...), $allowed)], true)) {
            throw $node->bad('This must be one of: ' . implode(', ', $allowed) . '.');
        }

        return (int) $value;
    }

    public function whole(string $key, int $default): int
    {
        $node = $this->object->optional($key);
        if ($node === null) {
            return $default;
        }
        if (! is_int($node->value) || $node->value < 0 || $node->value > self::MOST_WHOLE) {
            throw $node->bad('This must be a whole number from 0 to 1 000 000 000.');
        }

        return $node->value;
    }

    public function id(string $key = 'id'): string
    {
        $node = $this->object->required($key);
        if (! is_string($node->value) || preg_match('/^[A-Za-z][A-Za-z0-9_-]{0,31}$/D', $node->value) !== 1) {
            throw $node->bad('An id is a letter, followed by up to 31 letters, digits, _ or -.');
        }

        return $node->value;
    }
}
