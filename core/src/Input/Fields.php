<?php

declare(strict_types=1);

namespace Escapement\Core\Input;

/**
 * An object whose fields are read by their kind. Without a default a key is required; maybe…() gives null for one that is absent.
 *
 * Rule: docs/rules.md#conventions. Call close() after the last key and before judging one field by another: unknown keys come first.
 */
final readonly class Fields
{
    private const MOST = 1e9;

    private ObjectNode $object;

    public function __construct(public Node $node)
    {
        $this->object = $node->object();
    }

    /**
     * Says which keys this object may have, before any of them is read: the first unknown one is the first fault.
     *
     * @param list<string> $keys
     *
     * @throws BadInput at the first key that is not among them, in the order of the input
     */
    public function only(array $keys): self
    {
        $this->object->only($keys);

        return $this;
    }

    public function has(string $key): bool
    {
        return $this->object->optional($key) !== null;
    }

    public function at(string $key): Node
    {
        return $this->object->optional($key) ?? $this->node->at($key, null);
    }

    public function number(string $key, float $min, float $max, ?float $default = null, bool $aboveMin = false): float
    {
        return $this->maybeNumber($key, $min, $max, $aboveMin) ?? $default ?? throw BadInput::missing($this->node->at($key, null)->path);
    }

    public function maybeNumber(string $key, float $min, float $max, bool $aboveMin = false): ?float
    {
        $node = $this->object->optional($key);

        return $node === null ? null : (float) $node->number($min, $max, $aboveMin);
    }

    /** From 0 to a milliard. */
    public function n0(string $key, ?float $default = null): float
    {
        return $this->number($key, 0, self::MOST, $default);
    }

    public function maybeN0(string $key): ?float
    {
        return $this->maybeNumber($key, 0, self::MOST);
    }

    /** Above 0, to a milliard. */
    public function np(string $key, ?float $default = null): float
    {
        return $this->number($key, 0, self::MOST, $default, aboveMin: true);
    }

    public function maybeNp(string $key): ?float
    {
        return $this->maybeNumber($key, 0, self::MOST, aboveMin: true);
    }

    public function pct(string $key, ?float $default = null): float
    {
        return $this->number($key, 0, 100, $default);
    }

    public function int(string $key, int $min, int $max, ?int $default = null): int
    {
        return $this->maybeInt($key, $min, $max) ?? $default ?? throw BadInput::missing($this->node->at($key, null)->path);
    }

    public function maybeInt(string $key, int $min, int $max): ?int
    {
        return $this->object->optional($key)?->integer($min, $max);
    }

    public function bool(string $key, ?bool $default = null): bool
    {
        return $this->object->optional($key)?->bool() ?? $default ?? throw BadInput::missing($this->node->at($key, null)->path);
    }

    public function text(string $key, int $max = 64): string
    {
        return $this->object->required($key)->text($max);
    }

    public function maybeText(string $key, int $max = 64): ?string
    {
        return $this->object->optional($key)?->text($max);
    }

    /**
     * @template W of string
     *
     * @param non-empty-list<W> $words
     * @param ?W                $default
     *
     * @return W
     */
    public function oneOf(string $key, array $words, ?string $default = null): string
    {
        return $this->object->optional($key)?->oneOf($words) ?? $default ?? throw BadInput::missing($this->node->at($key, null)->path);
    }

    /**
     * @template W of string
     *
     * @param non-empty-list<W> $words
     *
     * @return ?W
     */
    public function maybeOneOf(string $key, array $words): ?string
    {
        return $this->object->optional($key)?->oneOf($words);
    }

    public function object(string $key): self
    {
        return new self($this->object->required($key));
    }

    public function maybeObject(string $key): ?self
    {
        $node = $this->object->optional($key);

        return $node === null ? null : new self($node);
    }

    /** @return list<Node> */
    public function list(string $key, int $min, int $max): array
    {
        return $this->object->required($key)->list($min, $max);
    }

    /** @return null|list<Node> */
    public function maybeList(string $key, int $min, int $max): ?array
    {
        return $this->object->optional($key)?->list($min, $max);
    }

    /**
     * The objects of a list, each read by $read and closed; ids are unique where $read gives them.
     *
     * @template T
     *
     * @param callable(self): T $read
     * @param bool              $idsLast whether a repeated id is a fault of the list, after all of its items
     *
     * @return list<T>
     */
    public function each(
        string $key,
        int $min,
        int $max,
        callable $read,
        bool $isOptional = true,
        string $id = 'id',
        bool $idsLast = false,
    ): array {
        $items = [];
        $seen = [];
        $repeated = null;
        foreach (($isOptional ? $this->maybeList($key, $min, $max) : $this->list($key, $min, $max)) ?? [] as $node) {
            $fields = new self($node);
            $items[] = $read($fields);
            $fields->close();
            $name = $fields->object->optional($id)?->value;
            if (is_string($name)) {
                if (isset($seen[$name])) {
                    $repeated ??= $fields->at($id)->bad("\"$name\" is in this list already.");
                }
                $seen[$name] = true;
            }
            if (! $idsLast && $repeated !== null) {
                throw $repeated;
            }
        }
        if ($repeated !== null) {
            throw $repeated;
        }

        return $items;
    }

    /** @throws BadInput at the first unknown key */
    public function close(): void
    {
        $this->object->close();
    }
}
