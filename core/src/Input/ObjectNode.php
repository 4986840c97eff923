<?php

declare(strict_types=1);

namespace Escapement\Core\Input;

/** An object being read: remembers which keys were asked for, so that close() can refuse the rest. */
final class ObjectNode
{
    /** @var array<string, true> */
    private array $asked = [];

    /** @param array<array-key, mixed> $values */
    public function __construct(private readonly Node $node, private readonly array $values) {}

    /** @throws BadInput at the key's own path when it is not there */
    public function required(string $key): Node
    {
        return $this->optional($key) ?? throw BadInput::missing($this->node->at($key, null)->path);
    }

    public function optional(string $key): ?Node
    {
        $this->asked[$key] = true;

        return array_key_exists($key, $this->values) ? $this->node->at($key, $this->values[$key]) : null;
    }

    /** Null both for an absent key and for null. */
    public function nullable(string $key): ?Node
    {
        $node = $this->optional($key);

        return $node === null || $node->isNull() ? null : $node;
    }

    /**
     * @param list<string> $keys
     *
     * @throws BadInput at the first key that is not one of these
     */
    public function only(array $keys): void
    {
        foreach ($this->values as $key => $value) {
            if (! in_array((string) $key, $keys, true)) {
                throw BadInput::unknown($this->node->at($key, $value)->path);
            }
        }
    }

    /** @throws BadInput at the first key that was never asked for */
    public function close(): void
    {
        foreach ($this->values as $key => $value) {
            if (! isset($this->asked[$key])) {
                throw BadInput::unknown($this->node->at($key, $value)->path);
            }
        }
    }
}
