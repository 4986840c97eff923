<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Wire;

/** The places of an input that a schema describes, each with what the schema says of it, whether the input has it or not. */
final readonly class SchemaPlaces
{
    /** @param array<string, mixed> $root the schema, decoded */
    public function __construct(private array $root) {}

    public static function ofCalculation(string $calc): self
    {
        $schema = (string) file_get_contents(dirname(__DIR__, 3) . "/docs/schema/$calc.schema.json");

        return new self(json_decode($schema, true, 512, JSON_THROW_ON_ERROR));
    }

    /**
     * @return iterable<string, array{list<string|int>, array<string, mixed>, mixed}> by the place in the schema: path in the input, what it
     *     says, what is there
     */
    public function of(mixed $input): iterable
    {
        yield from $this->walk($this->root, $input, [], '');
    }

    /**
     * Every item of a list too.
     *
     * @return iterable<array{list<string|int>, array<string, mixed>, mixed}> path, what the schema says, what is there
     */
    public function everyOf(mixed $input): iterable
    {
        foreach ($this->walk($this->root, $input, [], '', 6) as [$path, $says, $has]) {
            yield [$path, $says, $has];
        }
    }

    /**
     * @param array<string, mixed> $schema
     * @param list<string|int>     $path
     * @param int                  $items  of a list that are looked at
     *
     * @return iterable<string, array{list<string|int>, array<string, mixed>, mixed}>
     */
    private function walk(array $schema, mixed $value, array $path, string $place, int $items = 40): iterable
    {
        foreach ($this->resolved($schema, $value, $place) as $at => $one) {
            if ($path !== []) {
                yield $at => [$path, $one, $value];
            }
            foreach ($value instanceof \stdClass ? $one['properties'] ?? [] : [] as $key => $property) {
                yield from $this->walk($property, $value->{$key} ?? null, [...$path, (string) $key], "$at/$key", $items);
            }
            $others = $value instanceof \stdClass && is_array($one['additionalProperties'] ?? null) ? $one['additionalProperties'] : null;
            foreach ($others === null ? [] : array_diff_key(get_object_vars($value), $one['properties'] ?? []) as $key => $property) {
                yield from $this->walk($others, $property, [...$path, (string) $key], "$at/*", $items);
            }
            foreach (is_array($value) && isset($one['items']) ? array_slice($value, 0, $items) : [] as $i => $item) {
                yield from $this->walk($one['items'], $item, [...$path, $i], "$at/0", $items);
            }
        }
    }

    /**
     * The schema itself, references followed; of variants those that this value could be meant as.
     *
     * @param array<string, mixed> $schema
     *
     * @return array<string, array<string, mixed>>
     */
    private function resolved(array $schema, mixed $value, string $place): array
    {
        while (isset($schema['$ref'])) {
            $target = $this->root;
            foreach (array_slice(explode('/', $schema['$ref']), 1) as $step) {
                $target = $target[$step];
            }
            $schema = $target + array_diff_key($schema, ['$ref' => true]);
        }
        $all = isset($schema['oneOf']) || isset($schema['anyOf']) ? [] : [$place => $schema];
        foreach ([...$schema['oneOf'] ?? [], ...$schema['anyOf'] ?? []] as $i => $variant) {
            foreach ($this->resolved($variant, $value, "$place#$i") as $at => $one) {
                if (self::couldBe($one, $value)) {
                    $all[$at] = $one + array_diff_key($schema, ['oneOf' => true, 'anyOf' => true]);
                    $all[$at]['properties'] = ($one['properties'] ?? []) + ($schema['properties'] ?? []);
                }
            }
        }

        return $all;
    }

    /** @param array<string, mixed> $schema */
    private static function couldBe(array $schema, mixed $value): bool
    {
        if (! $value instanceof \stdClass) {
            return ! isset($schema['properties']);
        }
        foreach ($schema['required'] ?? [] as $key) {
            if (! property_exists($value, $key)) {
                return false;
            }
        }
        foreach ($schema['properties'] ?? [] as $key => $property) {
            $has = $value->{$key} ?? null;
            if ($has !== null && (isset($property['const']) && $property['const'] !== $has
                || isset($property['enum']) && ! in_array($has, $property['enum'], true))) {
                return false;
            }
        }

        return ($schema['additionalProperties'] ?? true) !== false
            || array_diff(array_keys(get_object_vars($value)), array_keys($schema['properties'] ?? [])) === [];
    }
}
