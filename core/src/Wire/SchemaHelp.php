<?php

declare(strict_types=1);

namespace Escapement\Core\Wire;

/** A published schema as lines for a person: field, type, unit, range, default. */
final readonly class SchemaHelp
{
    /** By the end of a name; the longer end first. */
    private const UNITS = [
        '_in_lb' => 'in-lb', '_ms' => 'ms', '_pct' => '%', '_kva' => 'kVA', '_kw' => 'kW', '_kwh' => 'kWh', '_ka' => 'kA', '_hz' => 'Hz',
        '_deg' => '°', '_ft' => 'ft', '_mm2' => 'mm²',
        '_mm' => 'mm', '_in' => 'in', '_in3' => 'in³', '_gal' => 'gal', '_inwc' => 'in wc', '_hp' => 'hp', '_min' => 'min',
        '_days' => 'days', '_c' => '°C', '_m' => 'm', '_h' => 'h', '_s' => 's',
        '_v' => 'V', '_a' => 'A', '_l' => 'L', '_w' => 'W', '_va' => 'VA',
    ];
    private const DEEPEST = 6;

    /** @param array<string, mixed> $schema decoded */
    public function __construct(private array $schema) {}

    public function text(): string
    {
        $title = is_string($this->schema['title'] ?? null) ? $this->schema['title'] : '';

        return $title . "\n\n" . implode(
            "\n",
            $this->fields($this->schema, '', 0),
        ) . "\n\n* is required. The whole schema: bin/escapement schema NAME\n";
    }

    /**
     * @param array<mixed> $node
     *
     * @return list<string>
     */
    private function fields(array $node, string $before, int $depth): array
    {
        $lines = [];
        foreach ([...(array) ($node['oneOf'] ?? []), ...(array) ($node['anyOf'] ?? [])] as $variant) {
            $inner = $this->fields($this->resolved((array) $variant), $before, $depth);
            array_push($lines, ...($inner === [] ? [] : ['  either:', ...$inner]));
        }
        foreach ((array) ($node['properties'] ?? []) as $name => $property) {
            $property = $this->resolved((array) $property);
            $isList = isset($property['items']);
            $inner = $isList ? $this->resolved((array) $property['items']) : $property;
            $path = "$before/$name" . ($isList ? '[]' : '');
            $isRequired = in_array($name, (array) ($node['required'] ?? []), true);
            $lines[] = rtrim(sprintf(
                '  %-44s %s',
                $path . ($isRequired ? ' *' : ''),
                $this->told((string) $name, $property, $isList ? $inner : null),
            ));
            if ($depth < self::DEEPEST) {
                array_push($lines, ...$this->fields($inner, $path, $depth + 1));
            }
        }

        return $lines;
    }

    /**
     * @param array<mixed> $property
     * @param null|array<mixed> $item of a list
     */
    private function told(string $name, array $property, ?array $item): string
    {
        $one = $item ?? $property;
        $type = implode(' or ', array_filter((array) ($one['type'] ?? match (true) {
            isset($one['enum']) => 'one of',
            isset($one['const']) => 'always',
            default => '',
        }), is_string(...)));
        $words = [$item === null ? $type : "list of $type"];
        foreach (['enum', 'const'] as $key) {
            if (isset($one[$key])) {
                $words[] = implode(', ', array_map(self::value(...), (array) $one[$key]));
            }
        }
        array_push($words, self::limits($one), self::unit($name));
        if (array_key_exists('default', $property)) {
            $words[] = 'default ' . self::value($property['default']);
        }

        return implode(', ', array_filter($words, static fn(string $word): bool => $word !== ''));
    }

    /** @param array<mixed> $one */
    private static function limits(array $one): string
    {
        $from = $one['minimum'] ?? $one['exclusiveMinimum'] ?? null;
        $to = $one['maximum'] ?? $one['exclusiveMaximum'] ?? null;
        $least = (isset($one['exclusiveMinimum']) ? 'above ' : '') . self::value($from);

        return match (true) {
            $from === null => $to === null ? '' : 'up to ' . self::value($to),
            $to === null => "$least at least",
            default => "$least to " . self::value($to),
        };
    }

    private static function unit(string $name): string
    {
        foreach (self::UNITS as $end => $unit) {
            if (str_ends_with("_$name", $end)) {
                return $unit;
            }
        }

        return '';
    }

    /**
     * @param array<mixed> $node
     *
     * @return array<mixed>
     */
    private function resolved(array $node): array
    {
        $reference = $node['$ref'] ?? null;
        if (! is_string($reference) || ! str_starts_with($reference, '#/')) {
            return $node;
        }
        $found = $this->schema;
        foreach (explode('/', substr($reference, 2)) as $key) {
            $found = is_array($found) ? $found[$key] ?? [] : [];
        }

        return (array) $found + $node;
    }

    private static function value(mixed $value): string
    {
        return is_string($value) ? $value : json_encode($value, JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE);
    }
}
